'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useState } from 'react';
import { addDays, type Day } from '../../core/days/zone.ts';
import type { LoadedWeek, WeekStep } from '../../server/week/load-week.ts';
import { sayWeekday } from '../kit/dates.ts';
import { PageHead } from '../kit/page-head.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { Dangers } from './dangers.tsx';
import { MovedToday } from './moved-today.tsx';
import { OwnCalendar } from './own-calendar.tsx';
import { usePuts } from './use-puts.ts';
import type { Wish } from './week-rows.tsx';
import { WeekList } from './week-list.tsx';
import { dayColumns } from './week-time.ts';

const WeekBoard = lazyPart(() => import('./week-board.tsx').then((m) => m.WeekBoard));
const StepPanel = lazyPart(() => import('./step-panel.tsx').then((m) => m.StepPanel));
const WhatIf = lazyPart(() => import('./what-if.tsx').then((m) => m.WhatIf));

const SPANS = { day: 1, week: 7, 'two weeks': 14 } as const;
type SpanName = keyof typeof SPANS;
const SPAN_NAMES = { day: 'Day', week: 'Week', 'two weeks': 'Two weeks' } as const;

const columnsOf = (week: LoadedWeek, first: Day, days: number) =>
  dayColumns(
    first,
    days,
    week.workers.map((w) => w.hours),
    week.zone,
  );
const daysFrom = (first: Day, count: number): Day[] =>
  Array.from({ length: count }, (_, i) => addDays(first, i));

interface Shown {
  readonly span: SpanName;
  readonly first: Day;
  readonly view: 'board' | 'list';
  readonly trying: boolean;
}

/** Earlier, today, later. */
function Dates({
  first,
  days,
  today,
  onShow,
}: {
  readonly first: Day;
  readonly days: number;
  readonly today: Day;
  readonly onShow: (to: Partial<Shown>) => void;
}) {
  const go = (to: Day) => () => onShow({ first: to });
  return (
    <div className="flex gap-1">
      <button type="button" className="button" onClick={go(addDays(first, -days))}>
        Earlier
      </button>
      <button type="button" className="button" disabled={first === today} onClick={go(today)}>
        Today
      </button>
      <button type="button" className="button" onClick={go(addDays(first, days))}>
        Later
      </button>
    </div>
  );
}

const BEGIN = { span: 'week', view: 'board', trying: false } as const;

/** The head: how much is shown, from when, how; and what may be tried. */
function Head({
  shown,
  today,
  may,
  onShow,
}: {
  readonly shown: Shown;
  readonly today: Day;
  readonly may: boolean;
  readonly onShow: (to: Partial<Shown>) => void;
}) {
  const { span, first, view, trying } = shown;
  const days = SPANS[span];
  const till = days > 1 ? ` to ${sayWeekday(addDays(first, days - 1))}` : '';
  return (
    <PageHead title="Week" note={`${sayWeekday(first)}${till}`}>
      <PillChoice
        legend="How much is shown"
        quiet
        value={span}
        options={SPAN_NAMES}
        onChange={(to) => onShow({ span: to })}
      />
      <Dates first={first} days={days} today={today} onShow={onShow} />
      <button
        type="button"
        className="button max-sm:hidden"
        aria-pressed={view === 'list'}
        onClick={() => onShow({ view: view === 'list' ? 'board' : 'list' })}
      >
        As a list
      </button>
      {may && (
        <button
          type="button"
          className="button"
          aria-expanded={trying}
          onClick={() => onShow({ trying: !trying })}
        >
          What if …
        </button>
      )}
    </PageHead>
  );
}

/** Steps that found no place, each with why. */
function Unplaced({ week }: { readonly week: LoadedWeek }) {
  if (week.unplaced.length === 0) return null;
  return (
    <section className="mt-4">
      <h2 className="text-lg">Without a place</h2>
      <ul>
        {week.unplaced.map((u) => (
          <li key={u.step} className="text-rubric">
            ◆ {week.jobs.find((j) => j.id === u.job)?.number} {u.title}: {u.why}.
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What was just put somewhere, and the way back. */
function Undone({ puts }: { readonly puts: ReturnType<typeof usePuts> }) {
  return (
    <div className="px-5">
      <div role="status">
        {puts.undo && (
          <p className="flex items-center gap-3 py-2">
            {puts.undo.says}.
            <button
              type="button"
              className="button"
              disabled={puts.busy}
              onClick={() => void puts.takeBack()}
            >
              Undo
            </button>
          </p>
        )}
      </div>
      <Trouble trouble={puts.trouble} />
    </div>
  );
}

interface Props {
  readonly week: LoadedWeek;
  readonly may: boolean;
  /** who looks at it */
  readonly person: number;
}

/** Who does what when, and which promise is in danger. */
export function Week({ week, may, person }: Props) {
  const [shown, setShown] = useState<Shown>({ ...BEGIN, first: week.today });
  const [chosenId, setChosen] = useState<string | null>(null);
  const puts = usePuts();
  const { span, first, view, trying } = shown;
  const show = (to: Partial<Shown>) => setShown({ ...shown, ...to });
  const chosen = week.steps.find((s) => s.id === chosenId) ?? null;
  const shared = {
    week,
    may,
    onPut: (step: WeekStep, to: Wish) => void puts.put(step, to),
    onGiveBack: (step: WeekStep) => void puts.put(step, { worker: null, at: null, minutes: null }),
  };
  return (
    <>
      <Head shown={shown} today={week.today} may={may} onShow={show} />
      <Suspense>{trying && <WhatIf week={week} onClose={() => show({ trying: false })} />}</Suspense>
      <Dangers week={week} may={may} />
      <MovedToday week={week} />
      <Undone puts={puts} />
      <div className="flex gap-6 px-5 py-4 max-lg:flex-col">
        <div className="min-w-0 flex-1">
          {view === 'board' && (
            <div className="max-sm:hidden print:hidden">
              <Suspense fallback={<p className="text-quiet">The board is coming …</p>}>
                <WeekBoard
                  {...shared}
                  columns={columnsOf(week, first, SPANS[span])}
                  chosen={chosen}
                  onChoose={(s) => setChosen(s.id === chosenId ? null : s.id)}
                  onDay={(day) => show({ span: 'day', first: day })}
                />
              </Suspense>
            </div>
          )}
          <div className={view === 'board' ? 'hidden max-sm:block print:block' : ''}>
            <WeekList week={week} days={daysFrom(first, SPANS[span])} />
          </div>
          <Unplaced week={week} />
          <OwnCalendar person={person} />
        </div>
        {chosen && (
          <aside className="w-90 shrink-0 max-lg:w-full max-sm:hidden print:hidden">
            <Suspense>
              <StepPanel
                {...shared}
                step={chosen}
                busy={puts.busy}
                onChoose={(s) => setChosen(s.id)}
                onClose={() => setChosen(null)}
              />
            </Suspense>
          </aside>
        )}
      </div>
    </>
  );
}
