import Link from 'next/link';
import { loadBench, type BenchStep } from '../../../server/bench/load-bench.ts';
import { database } from '../../../server/db/connection.ts';
import { PageHead } from '../../../ui/page-head.tsx';
import { requireActor } from '../../_lib/session.ts';

export const metadata = { title: 'Bench' };

function Steps({ steps }: { readonly steps: readonly BenchStep[] }) {
  return (
    <ul className="mb-6">
      {steps.map((s) => (
        <li key={s.lineId} className="border-b border-line">
          <Link
            href={`/job/${s.number}/work`}
            className="flex min-h-11 items-center gap-4 py-1 hover:bg-shade"
          >
            <b className="w-12 font-serif text-lg">{s.number}</b>
            <span className="w-52 shrink-0">{s.instrument}</span>
            <span className="min-w-0 flex-1 truncate">
              <b>{s.title}</b> <span className="text-quiet">{s.detail}</span>
            </span>
            <span className="text-sm text-quiet">{s.step}</span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

export default async function BenchPage() {
  const actor = await requireActor();
  const steps = await loadBench(database(), actor.personId);
  const now = steps.find((s) => s.mine && s.step === 'running');
  const mine = steps.filter((s) => s.mine && s !== now);
  const anyone = steps.filter((s) => !s.mine);
  return (
    <>
      <PageHead title="Bench" note={actor.name} />
      <div className="max-w-5xl px-5 py-4">
        <section aria-labelledby="now" className="mb-6 border-l-4 border-plain bg-card p-5">
          <h2 id="now" className="text-lg text-quiet">
            Now
          </h2>
          {now ? (
            <>
              <p className="font-serif text-3xl font-semibold">{now.title}</p>
              <p className="text-lg">
                {now.number}, {now.instrument}. {now.detail}
              </p>
              <Link href={`/job/${now.number}/work`} className="button button-main mt-3">
                To the step
              </Link>
            </>
          ) : (
            <p className="text-lg">No clock of yours is running. Take up a step below.</p>
          )}
        </section>
        <h2 className="text-xl">Yours, next</h2>
        {mine.length === 0 ? (
          <p className="mb-6 text-quiet">Nothing agreed is in your hands.</p>
        ) : (
          <Steps steps={mine} />
        )}
        <h2 className="text-xl">Nobody’s yet</h2>
        {anyone.length === 0 ? (
          <p className="text-quiet">Nothing agreed waits for hands.</p>
        ) : (
          <Steps steps={anyone} />
        )}
      </div>
    </>
  );
}
