import type { Reliability } from '../../core/schedule/reliability.ts';

const OFF = {
  fewer: 'fewer than was said: promise later, or look at the minutes',
  more: 'more than was said: you could promise earlier',
} as const;

/** How promises came out: of those said to be so likely, how many held. */
export function PromisesKept({ promises }: { readonly promises: readonly Reliability[] }) {
  return (
    <section aria-labelledby="promises" className="max-w-5xl space-y-2 px-5 py-4">
      <h2 id="promises" className="text-xl">
        Promises kept
      </h2>
      {promises.length === 0 && (
        <p className="text-quiet">Nothing that was promised with a chance is done yet.</p>
      )}
      <ul>
        {promises.map((p) => (
          <li key={p.said} className="flex min-h-11 flex-wrap items-center gap-x-4 border-b border-line">
            <span className="w-72">
              Of {p.count} said {Math.round(100 * p.said)} in 100, <b>{p.held} held</b>
            </span>
            <span aria-hidden className="relative h-3 w-60 border border-plain bg-card">
              <span
                className="absolute inset-y-0 left-0 bg-plain"
                style={{ width: `${(100 * p.held) / p.count}%` }}
              />
              <span
                className="absolute -inset-y-1 border-l-2 border-ink"
                style={{ left: `${100 * p.said}%` }}
              />
            </span>
            {p.off && (
              <span className={p.off === 'fewer' ? 'text-rubric' : 'text-quiet'}>
                {p.off === 'fewer' && '◆ '}
                {OFF[p.off]}
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
