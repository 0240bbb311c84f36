'use client';

import { sayLimit, sayWatched } from '../../core/learn/say-reach.ts';
import { watchedValue, WATCHED } from '../../core/learn/watched.ts';
import type { RoundKind } from '../../core/readings/rounds.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { sayingIn } from '../kit/saying.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';

/** What is watched on this instrument, with its limit and what the round reads of it. */
export function WatchedHere({
  job,
  round,
  unit,
}: {
  readonly job: LeafJob;
  readonly round: RoundKind;
  readonly unit: DisplayUnit;
}) {
  const say = sayingIn(unit);
  const strings = job.instrument.construction.strings.length;
  const read = job.readings.readings
    .filter((r) => r.round === round && r.notRepresentative === null)
    .map((r) => ({ ...r, value: r.standard }));
  return (
    <ul aria-label="Watched on this instrument" className="border-t border-line py-1 text-sm">
      {job.readings.watches.map((w) => {
        const value = watchedValue(w.what, strings, read);
        const past = value !== null && (w.side === 'above' ? value > w.limit : value < w.limit);
        const reads = value === null ? 'not read in this round' : `reads ${sayWatched(w.what, value, say)}`;
        return (
          <li key={w.id}>
            Watched: <b>{WATCHED[w.what].name}</b>, <span className="text-ink">{sayLimit(w, say)}</span>;{' '}
            <span className={past ? 'text-rubric' : 'text-quiet'}>
              {past ? `◆ ${reads}, past its limit` : reads}
            </span>
            {w.note !== '' && <span className="text-ink"> “{w.note}”</span>}
          </li>
        );
      })}
    </ul>
  );
}
