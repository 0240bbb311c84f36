import { sayFailure } from '../../core/keep/say-failure.ts';
import type { LoadedFailures } from '../../server/keep/failures.ts';
import { sayMoment } from '../kit/dates.ts';

/** What did not work of late, in plain words, for whoever has to call somebody about it. */
export function FailuresPanel({ failures }: { readonly failures: LoadedFailures }) {
  return (
    <section aria-labelledby="failures" className="min-w-0 space-y-1 px-5 py-3">
      <h2 id="failures" className="text-xl">
        What did not work
      </h2>
      {failures.length === 0 ? (
        <p className="text-quiet">Nothing failed in the last month.</p>
      ) : (
        <>
          <p className="text-sm text-quiet">
            In the last month. The word at the end finds it in the log, for whoever looks into it.
          </p>
          <ul className="text-sm">
            {failures.map((f) => (
              <li key={f.id} className="flex flex-wrap items-baseline gap-x-4 border-b border-line py-1">
                <time dateTime={f.at} className="whitespace-nowrap">
                  {sayMoment(f.at)}
                </time>
                <span className="min-w-0 flex-1 basis-72">
                  {sayFailure(f)}
                  {f.times > 1 && (
                    <span className="text-quiet">
                      {' '}
                      {f.times} times since {sayMoment(f.since)}.
                    </span>
                  )}
                </span>
                <span className="font-mono break-all text-quiet">
                  {[f.name, f.request].filter(Boolean).join(' ')}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
