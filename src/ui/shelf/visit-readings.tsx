'use client';

import { roundName, type RoundKind } from '../../core/readings/rounds.ts';
import type { loadInstrument } from '../../server/shelf/load-shelf.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { sayValue } from '../../core/targets/say-values.ts';

type Visit = NonNullable<Awaited<ReturnType<typeof loadInstrument>>>['visits'][number];

const ROUNDS: readonly RoundKind[] = ['as-found', 'as-left'];

/** What was read at a visit: relief and the outer actions, as found and as left. */
export function VisitReadings({
  readings,
  strings,
}: {
  readonly readings: Visit['readings'];
  readonly strings: number;
}) {
  const [unit] = useDisplayUnit();
  const cell = (round: RoundKind, quantity: 'relief' | 'action', string: number) => {
    const r = readings.find((x) => x.round === round && x.quantity === quantity && x.string === string);
    return <td className="pr-6 font-bold text-ink">{r ? sayValue(r.value, quantity, unit) : '–'}</td>;
  };
  return (
    <table className="mt-1 text-left text-sm">
      <thead>
        <tr>
          {['', 'Relief', 'Action 12, bass', 'Action 12, treble'].map((h) => (
            <th key={h} scope="col" className="pr-6 font-normal text-quiet">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {ROUNDS.map((round) => (
          <tr key={round}>
            <th scope="row" className="pr-6 font-normal">
              {roundName(round)}
            </th>
            {cell(round, 'relief', 0)}
            {cell(round, 'action', strings)}
            {cell(round, 'action', 1)}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
