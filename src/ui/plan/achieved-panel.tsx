'use client';

import { QUANTITY_FACTS } from '../../core/readings/quantities.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { sayValue } from '../../core/targets/say-values.ts';

/** What the chosen plan said would stand at each place, and what was read when it was done. */
export function AchievedPanel({ job }: Pick<LeafProps<'plan'>, 'job'>) {
  const [unit] = useDisplayUnit();
  const { choice, results } = job.plan;
  if (!choice) return null;
  const station = (key: string) => job.readings.stations.find((s) => s.key === key);
  const say = (key: string, value: number) => {
    const s = station(key);
    return s ? sayValue(value, s.quantity, unit) : value.toFixed(2);
  };
  return (
    <section aria-label="Predicted against achieved">
      <table className="w-full max-w-3xl text-left">
        <caption className="py-1 text-left font-serif text-lg font-semibold">
          Predicted against achieved: {choice.name.toLowerCase()}
        </caption>
        <thead>
          <tr className="border-b-2 border-plain">
            {['Place', 'Predicted', 'As left', 'Difference'].map((h) => (
              <th key={h} scope="col">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {choice.predicted.map((p) => {
            const done = results.find((r) => r.key === p.key);
            const s = station(p.key);
            const by = done ? done.achieved - done.predicted : null;
            const told = s ? QUANTITY_FACTS[s.quantity].tells : 0;
            return (
              <tr key={p.key} className="border-b border-line">
                <th scope="row" className="py-1 font-normal">
                  {p.label}
                </th>
                <td>{say(p.key, p.value)}</td>
                <td className="text-ink">{done ? say(p.key, done.achieved) : 'not read yet'}</td>
                <td>
                  {by === null
                    ? ''
                    : Math.abs(by) <= told
                      ? 'as said, to its gauge'
                      : `${say(p.key, Math.abs(by)).replace('+', '')} ${by > 0 ? 'more' : 'less'}`}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
