'use client';

import { useState } from 'react';
import type { PromiseDates as Dates } from '../../server/week/promise-date.ts';
import type { Conditions } from '../../core/readings/conditions.ts';
import { ENDANGERED, sayChance } from '../../core/schedule/say-chance.ts';
import { ClosedDay } from '../kit/closed-day.tsx';
import { sayWeekday } from '../kit/dates.ts';

/** Each day once, with the highest chance it has. */
const likeliest = (days: Dates['days']): Dates['days'] => days.filter((d, i) => d.day !== days[i + 1]?.day);

/** What is known of what is being taken in. */
export interface TakenIn {
  /** complaint and wish */
  readonly said: string;
  /** empty where nobody said yet */
  readonly kind: string;
  /** null where nobody has looked */
  readonly strings: Conditions['strings'] | null;
  readonly instrumentId: number | null;
}

/** A rest: `2 h`, `a day`, `5 days`. */
function sayRest(minutes: number): string {
  const days = Math.round(minutes / 1440);
  if (minutes < 1080) return `${Math.round(minutes / 60)} h`;
  return days === 1 ? 'a day' : `${days} days`;
}

/** What a day was counted with: the steps, the words that spoke of them, by whose minutes. */
function countedWith({ steps, said, such, asks }: Dates): string {
  const names = steps.map(({ title }) => {
    const words = said.find((s) => s.title === title)?.words;
    const small = title.charAt(0).toLowerCase() + title.slice(1);
    return words === undefined ? small : `${small} (“${words}”)`;
  });
  const hands = steps.reduce((sum, s) => sum + s.minutes, 0);
  const rests = steps.reduce((sum, s) => sum + s.rests, 0);
  const by = such === 0 ? '' : ` The setup as ${such} such jobs took here.`;
  // What goes beyond a setup is done when they have said yes to its price.
  const asked =
    asks === null
      ? ''
      : ` Their yes to its price is in it: ${asks.low < 30 ? 'at once' : sayRest(asks.low)} to ${sayRest(asks.high)}.`;
  const resting = rests < 60 ? '' : `, ${sayRest(rests)} of rest`;
  return `Counted with: ${names.join(', ')}; about ${Math.round(hands / 6) / 10} h of hands${resting}, behind what stands in the week.${by}${asked}`;
}

interface Props {
  readonly about: TakenIn;
  readonly chosen: string;
  readonly onChoose: (day: string, chance: number) => void;
}

/** What there is to say of the day it is needed by: whether the shop is closed then, and when it can be promised. */
export default function NeededByWords(props: Props) {
  return (
    <>
      <ClosedDay day={props.chosen} />
      <PromiseDates {...props} />
    </>
  );
}

/** How likely the day is that they want it by. */
const Wanted = ({ day, chance: part }: NonNullable<Dates['wanted']>) => (
  <p className={part < ENDANGERED ? 'text-rubric' : ''}>
    {part < ENDANGERED && '◆ '}
    By {sayWeekday(day)}: {sayChance(part)}.{part < ENDANGERED && ' Say so now, or take another day.'}
  </p>
);

/** What was answered is of other words than those that stand there now. */
const AskAgain = ({ onAsk }: { readonly onAsk: () => void }) => (
  <p className="flex flex-wrap items-center gap-3 text-rubric">
    ◆ Something else stands here since it was asked.
    <button type="button" className="button" onClick={onAsk}>
      Ask again
    </button>
  </p>
);

/** The days that can be promised, each with its chance, to be taken with a tap. */
const Offered = ({ days, chosen, onChoose }: Pick<Dates, 'days'> & Pick<Props, 'chosen' | 'onChoose'>) => (
  <div className="flex flex-wrap gap-2">
    {likeliest(days).map((d) => (
      <button
        key={d.chance}
        type="button"
        className={`button ${d.day === chosen ? 'button-main' : ''}`}
        aria-pressed={d.day === chosen}
        onClick={() => onChoose(d.day, d.chance)}
      >
        {sayWeekday(d.day)}, {sayChance(d.chance)}
      </button>
    ))}
  </div>
);

/** When it can be promised, as the plan stands: three days with their chance, and whom it makes later. */
function PromiseDates({ about, chosen, onChoose }: Props) {
  const [found, setFound] = useState<Dates | 'asked' | 'away' | null>(null);
  const [asked, setAsked] = useState<readonly string[]>([]);
  const offered = typeof found === 'object' && found?.days.some((d) => d.day === chosen);
  // A day that was offered has its chance already; one that was typed is asked for.
  const neededBy = chosen === '' || offered ? null : chosen;
  const words = JSON.stringify({ ...about, strings: about.strings ?? 'at-pitch' });
  const now = neededBy === null ? words : `${words} ${neededBy}`;
  const ask = async () => {
    setFound('asked');
    setAsked([words, now]);
    const answer = await fetch('/api/week/promise', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ...(JSON.parse(words) as object), neededBy }),
      cache: 'no-store',
    }).catch(() => null);
    const dates = answer?.ok ? ((await answer.json()) as Dates) : 'away';
    setFound(dates);
    if (dates !== 'away' && dates.wanted) onChoose(dates.wanted.day, dates.wanted.chance);
  };
  if (found === null || found === 'away')
    return (
      <p className="flex flex-wrap items-center gap-3">
        <button type="button" className="button" onClick={() => void ask()}>
          {neededBy === null ? 'When can it be promised?' : `Can it be promised for ${sayWeekday(neededBy)}?`}
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
      <Offered days={found.days} chosen={chosen} onChoose={onChoose} />
      {found.wanted && <Wanted {...found.wanted} />}
      <p className="text-sm text-quiet">
        {countedWith(found)}
        {found.others.length > 0 &&
          ` Less likely by it: ${found.others.map((o) => `${o.job} (${sayChance(o.was)} to ${sayChance(o.is)})`).join(', ')}.`}
      </p>
      {!asked.includes(now) && <AskAgain onAsk={() => void ask()} />}
    </div>
  );
}
