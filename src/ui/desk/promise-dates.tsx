'use client';

import { useState } from 'react';
import type { PromiseDates as Dates } from '../../server/week/promise-date.ts';
import { ClosedDay } from '../kit/closed-day.tsx';
import { sayWeekday } from '../kit/dates.ts';

/** Each day once, with the highest chance it has. */
const likeliest = (days: Dates['days']): Dates['days'] => days.filter((d, i) => d.day !== days[i + 1]?.day);

interface Props {
  readonly chosen: string;
  readonly onChoose: (day: string, chance: number) => void;
}

const chance = (part: number): string => `${Math.round(100 * part)} in 100`;

/** What there is to say of the day it is needed by: whether the shop is closed then, and when it can be promised. */
export default function NeededByWords(props: Props) {
  return (
    <>
      <ClosedDay day={props.chosen} />
      <PromiseDates {...props} />
    </>
  );
}

/** When it can be promised, as the plan stands: three days with their chance, and whom it makes later. */
function PromiseDates({ chosen, onChoose }: Props) {
  const [found, setFound] = useState<Dates | 'asked' | 'away' | null>(null);
  const ask = async () => {
    setFound('asked');
    const answer = await fetch('/api/week/promise', { cache: 'no-store' }).catch(() => null);
    setFound(answer?.ok ? ((await answer.json()) as Dates) : 'away');
  };
  if (found === null || found === 'away')
    return (
      <p className="flex flex-wrap items-center gap-3">
        <button type="button" className="button" onClick={() => void ask()}>
          When can it be promised?
        </button>
        {found === 'away' && <span className="text-rubric">◆ The house did not answer. Try again.</span>}
      </p>
    );
  if (found === 'asked') return <p className="text-quiet">Planning …</p>;
  if (found.days.length === 0)
    return (
      <p className="text-rubric">
        ◆ Nothing can be promised: nobody has time for it in the hours that are known.
      </p>
    );
  return (
    <div role="group" aria-label="When it can be promised" className="space-y-1">
      <div className="flex flex-wrap gap-2">
        {likeliest(found.days).map((d) => (
          <button
            key={d.chance}
            type="button"
            className={`button ${d.day === chosen ? 'button-main' : ''}`}
            aria-pressed={d.day === chosen}
            onClick={() => onChoose(d.day, d.chance)}
          >
            {sayWeekday(d.day)}, {chance(d.chance)}
          </button>
        ))}
      </div>
      <p className="text-sm text-quiet">
        For looking, reading and a setup, about {Math.round(found.minutes / 6) / 10} h, behind what stands in
        the week.
        {found.others.length > 0 &&
          ` Less likely by it: ${found.others.map((o) => `${o.job} (${chance(o.was)} to ${chance(o.is)})`).join(', ')}.`}
      </p>
    </div>
  );
}
