'use client';

import Link from '../kit/link.tsx';
import { sayLeft } from '../../core/days/say-left.ts';
import type { BenchStep } from '../../server/bench/load-bench.ts';
import type { BenchWait } from '../../server/bench/load-waits.ts';
import { useNow } from '../frame/bell.tsx';

/** Steps one could take up, a line each. */
export function BenchSteps({
  title,
  empty,
  steps,
}: {
  readonly title: string;
  readonly empty: string;
  readonly steps: readonly BenchStep[];
}) {
  return (
    <section>
      <h2 className="text-xl">{title}</h2>
      {steps.length === 0 && <p className="text-quiet">{empty}</p>}
      <ul>
        {steps.map((s) => (
          <li key={s.lineId} className="border-b border-line">
            <Link
              href={`/job/${s.number}/work`}
              className="flex min-h-11 items-center gap-3 py-1 hover:bg-shade"
            >
              <b className="font-serif text-lg">{s.number}</b>
              <span className="min-w-0 flex-1 truncate">
                {s.title} <span className="text-sm text-quiet">{s.instrument}</span>
              </span>
              <span className="text-sm text-quiet">{s.step}</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What rests, and how long still; over first. */
export function BenchWaits({ waits }: { readonly waits: readonly BenchWait[] }) {
  const now = useNow();
  if (waits.length === 0) return null;
  return (
    <section>
      <h2 className="text-xl">Resting</h2>
      <ul>
        {waits.map((w) => (
          <li key={w.number} className="border-b border-line">
            <Link
              href={`/job/${w.number}/work`}
              className="flex min-h-11 items-center gap-3 py-1 hover:bg-shade"
            >
              <b className="font-serif text-lg">{w.number}</b>
              <span className="min-w-0 flex-1 truncate">{w.title}</span>
              <span className={now > 0 && w.until <= now ? 'text-ink' : 'text-sm text-quiet'}>
                {now > 0 && (w.until <= now ? '● over' : sayLeft(now, w.until))}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
