'use client';

import { NUMBER_IDS, NUMBERS, type NumberId } from '../../core/learn/numbers.ts';
import { sayAmount, sayFrom, sayNumber, type SmallUnit } from '../../core/learn/say-number.ts';
import { sayTurn } from '../../core/neck/say-turn.ts';
import type { Life } from '../../server/shelf/load-life.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { amountUnit } from '../../core/targets/say-values.ts';
import { sayDate } from '../../core/days/say-days.ts';
import { dayIn } from '../../core/days/zone.ts';
import type { DateForm } from '../../core/days/say-days.ts';

/** How much was changed, as the bench says it. */
function sayBy(id: NumberId, by: number): string {
  const size = Math.abs(by);
  if (id === 'rod') return `${sayTurn(by)} ${by > 0 ? 'tighter' : 'looser'}`;
  if (id === 'pull') return `${Math.round(10 * size)} N ${by > 0 ? 'more' : 'less'} pull`;
  if (id === 'air') return `${Math.round(10 * size)} % ${by > 0 ? 'more' : 'less'} humidity`;
  return `${by.toFixed(2).replace('-', '−')} mm`;
}

/** What followed: a height where the number says how many times, else in the number's own unit. */
const gave = (id: NumberId, { gave: value }: Life['acts'][number], unit: SmallUnit): string =>
  NUMBERS[id].unit === 'times' ? `${value.toFixed(2).replace('-', '−')} mm` : sayAmount(id, value, unit);

/** What an instrument shows of itself: each number with its doubt, where it comes from, and the readings behind it. */
export function OwnNumbers({
  life,
  shop,
}: {
  readonly life: Pick<Life, 'numbers' | 'acts'>;
  readonly shop: { readonly zone: string; readonly dates: DateForm };
}) {
  const unit = amountUnit(useDisplayUnit()[0]);
  return (
    <section aria-labelledby="own-numbers">
      <h2 id="own-numbers" className="text-xl">
        Its own numbers
      </h2>
      <p className="text-sm text-quiet">In brackets: between which it lies in nine cases of ten.</p>
      <ul className="divide-y divide-line border-y border-line text-sm">
        {NUMBER_IDS.map((id) => {
          const acts = life.acts.filter((a) => a.number === id);
          return (
            <li key={id} className="py-1.5">
              <div className="flex flex-wrap justify-between gap-x-3">
                <b>{NUMBERS[id].name}</b>
                <span className="tabular-nums">{sayNumber(id, life.numbers[id], unit)}</span>
              </div>
              {acts.length === 0 ? (
                <p className="text-quiet">{sayFrom(id, life.numbers[id])}</p>
              ) : (
                <details>
                  <summary className="min-h-8 cursor-pointer text-quiet">
                    {sayFrom(id, life.numbers[id])}
                  </summary>
                  <ul>
                    {acts.map((a) => (
                      <li key={`${a.job} ${a.at} ${a.between} ${a.by} ${a.gave}`}>
                        {a.job}, {sayDate(dayIn(Date.parse(a.at), shop.zone), shop.dates)}: {sayBy(id, a.by)}
                        {id === 'rod' ? '' : ` (${a.between})`} gave{' '}
                        <span className="text-ink">{gave(id, a, unit)}</span>
                      </li>
                    ))}
                  </ul>
                </details>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
