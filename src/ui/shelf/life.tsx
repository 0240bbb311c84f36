'use client';

import type { Life as LifeOf } from '../../server/shelf/load-life.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { lifeBands, sayForecast } from './life-bands.ts';
import { LifeLine } from './life-line.tsx';

/** Its visits on one line of time, and what is to come. */
export function Life({ life }: { readonly life: LifeOf | null }) {
  const [unit] = useDisplayUnit();
  if (!life || life.rounds.length === 0)
    return <p>Nothing was read on it yet: what its readings do over the years will stand here.</p>;
  const ahead = sayForecast(life, unit);
  const visits = new Set(life.rounds.map((r) => r.job)).size;
  const says = `Readings of ${visits} ${visits === 1 ? 'visit' : 'visits'} over time; the same in numbers stands under “What moved”.`;
  return (
    <section aria-labelledby="over-the-years" className="min-w-0">
      <h2 id="over-the-years" className="text-xl">
        Over the years
      </h2>
      <LifeLine bands={lifeBands(life, unit)} says={says} />
      <p className="text-sm text-quiet">
        ○ found, ● left; a full line is what was done, a dotted one what it moved by itself
        {life.forecast ? ', ◇ what is expected' : ''}
        {life.air.length > 0 ? ', the thin line what a logger wrote down of the air' : ''}.
      </p>
      {ahead !== null && <p className="mt-1">{ahead}</p>}
    </section>
  );
}
