'use client';

import type { KeyboardEvent } from 'react';
import type { Day } from '../../core/days/zone.ts';
import type { LoadedWeek, WeekStep } from '../../server/week/load-week.ts';
import { dayOf, sayWeekday } from '../kit/dates.ts';
import Link from '../kit/link.tsx';
import { After, PlaceBar, WeekBar } from './week-bar.tsx';
import {
  clock,
  placeOf,
  rowItems,
  sayRested,
  stretchesIn,
  type DayColumn,
  type RowItem,
} from './week-time.ts';

/** Where somebody wants a step: to whom, not before when (ms). */
export interface Wish {
  readonly worker: number | null;
  readonly at: number | null;
  /** how long it takes in all; undefined: as was said before */
  readonly minutes?: number | null;
}

/** What every row knows. */
export interface Shared {
  readonly week: LoadedWeek;
  readonly columns: readonly DayColumn[];
  readonly chosen: WeekStep | null;
  readonly may: boolean;
  readonly onChoose: (step: WeekStep) => void;
  readonly onPut: (step: WeekStep, wish: Wish) => void;
  readonly onGiveBack: (step: WeekStep) => void;
  /** shows one day alone, in which steps have room */
  readonly onDay: (day: Day) => void;
}

const QUARTER = 15;
export const MINUTE_MS = 60_000;
const QUARTER_MS = QUARTER * MINUTE_MS;
const LEAST_MINUTES = 5;
/** The narrowest that is tapped, px. */
const LEAST_PX = 28;
const percent = (part: number): string => `${(100 * part).toFixed(3)}%`;

/** A step made longer or shorter by so many minutes; where it stands is left as it was said. */
export const lasting = (step: WeekStep, by: number): Wish => ({
  worker: step.put?.worker ?? null,
  at: step.put?.at ?? null,
  minutes: Math.max(LEAST_MINUTES, step.inAll + by),
});

/**
 * How a step moves by keys: a quarter of an hour, or to the next person; with Shift it lasts longer or shorter. P holds it,
 * Delete gives it back.
 */
function keyWish(e: KeyboardEvent, step: WeekStep, workers: LoadedWeek['workers']): Wish | 'back' | null {
  const at = workers.findIndex((w) => w.id === step.worker);
  const other = (by: number): Wish | null => {
    const next = workers[at + by];
    return next ? { worker: next.id, at: step.start } : null;
  };
  if (e.shiftKey && e.key === 'ArrowRight') return lasting(step, QUARTER);
  if (e.shiftKey && e.key === 'ArrowLeft') return lasting(step, -QUARTER);
  switch (e.key) {
    case 'ArrowLeft':
      return { worker: step.worker, at: step.start - QUARTER_MS };
    case 'ArrowRight':
      return { worker: step.worker, at: step.start + QUARTER_MS };
    case 'ArrowUp':
      return other(-1);
    case 'ArrowDown':
      return other(1);
    case 'p':
      return { worker: step.worker, at: step.start };
    case 'Delete':
    case 'Backspace':
      return 'back';
    default:
      return null;
  }
}

/** What every picture of a step does: it is chosen, and moved by keys. */
function holdOf(step: WeekStep, { week, columns, may, onChoose, onPut, onGiveBack }: Shared) {
  const day = (columns.findLast((c) => c.from <= step.start) ?? columns[0])?.day ?? week.today;
  const moves = may && !step.running;
  return {
    when: `${sayWeekday(day)} ${clock(step.start, week.zone)} to ${clock(step.end, week.zone)}`,
    may: moves,
    onChoose: () => onChoose(step),
    onKey: (e: KeyboardEvent) => {
      const wish = moves ? keyWish(e, step, week.workers) : null;
      if (wish === null) return;
      e.preventDefault();
      if (wish === 'back') onGiveBack(step);
      else onPut(step, { ...wish, at: wish.at === null ? null : Math.max(wish.at, week.now) });
    },
  };
}

/** A step in the row of who does it. */
function Bar({ step, wide, ...shared }: Shared & { readonly step: WeekStep; readonly wide: number }) {
  const { week, columns, chosen } = shared;
  const job = week.jobs.find((j) => j.id === step.job);
  if (!job) return null;
  return (
    <WeekBar
      step={step}
      job={job}
      columns={columns}
      wide={wide}
      chosen={chosen?.id === step.id}
      related={chosen?.job === step.job}
      {...holdOf(step, shared)}
    />
  );
}

/** Where each of some steps stands in what is tapped for them, which is wider than they are. */
function TrueStretches({
  item,
  columns,
}: Pick<Shared, 'columns'> & { readonly item: Extract<RowItem<WeekStep>, { kind: 'few' }> }) {
  return stretchesIn(item, columns).map(([left, right], i) => (
    <span
      key={item.steps[i]?.id ?? i}
      aria-hidden
      className="absolute bottom-0 h-1.5 min-w-0.5 bg-current"
      style={{ left: percent(left), width: percent(right - left) }}
    />
  ));
}

/** Some steps that are too narrow to be held each: a tap shows their day. */
function Few({
  item,
  at,
  ...shared
}: Shared & {
  readonly item: Extract<RowItem<WeekStep>, { kind: 'few' }>;
  /** the place they take; none in the row of who does them */
  readonly at?: string;
}) {
  const { week, columns, chosen, onDay } = shared;
  const jobs = item.steps.flatMap((s) => week.jobs.find((j) => j.id === s.job) ?? []);
  const red = jobs.some((j) => j.endangered);
  const day = dayOf(item.steps[0]?.start ?? week.now);
  const names = [...new Set(jobs.map((j) => j.number))].join(', ');
  const related = item.steps.some((s) => s.job === chosen?.job);
  return (
    <>
      {at === undefined &&
        item.steps.map((s) => (
          <After key={s.id} step={s} columns={columns} chosen={false} related={chosen?.job === s.job} />
        ))}
      <button
        type="button"
        className={`absolute top-1.5 flex h-8 items-center overflow-hidden border-2 text-xs ${red ? 'border-rubric text-rubric' : 'border-plain'} ${related ? 'bg-shade' : 'bg-card'}`}
        style={{ left: percent(item.left), width: percent(item.right - item.left) }}
        aria-label={`${at === undefined ? '' : `${at}: `}${item.steps.length} short ${item.steps.length === 1 ? 'step' : 'steps'} of ${names}, ${sayWeekday(day)}: show that day${red ? '; a date is in danger' : ''}`}
        title={names}
        onClick={() => onDay(day)}
      >
        <TrueStretches item={item} columns={columns} />
        <span className="mx-auto pb-1.5">{item.steps.length === 1 ? names : `${item.steps.length} ·`}</span>
      </button>
    </>
  );
}

/** What somebody does, along their row. */
export function RowOf({
  worker,
  wide,
  ...shared
}: Shared & { readonly worker: number; readonly wide: number }) {
  const own = shared.week.steps.filter((s) => s.worker === worker);
  return rowItems(own, shared.columns, LEAST_PX / wide).map((item) =>
    item.kind === 'step' ? (
      <Bar key={item.step.id} step={item.step} wide={wide} {...shared} />
    ) : (
      <Few key={item.steps[0]?.id ?? item.left} item={item} {...shared} />
    ),
  );
}

/** What rests in a place, until it has rested: nothing moves it. */
function RestingHere({
  id,
  name,
  week,
  columns,
}: Pick<Shared, 'week' | 'columns'> & { readonly id: string; readonly name: string }) {
  const rest = week.resting.find((r) => r.held?.spot === id);
  if (!rest?.held) return null;
  const [left, right] = [placeOf(columns, rest.held.since), placeOf(columns, rest.until)];
  if (right <= 0 || left >= 1) return null;
  const says = `${rest.number} ${sayRested(rest.why, `${sayWeekday(dayOf(rest.until))} ${clock(rest.until, week.zone)}`)}`;
  return (
    <Link
      href={`/job/${rest.number}/work`}
      title={says}
      aria-label={`${name}: ${says}`}
      className="absolute top-2 flex h-7 min-w-6 items-center overflow-hidden border border-dashed border-quiet bg-card px-1 text-xs whitespace-nowrap text-quiet"
      style={{ left: percent(left), width: percent(Math.max(0.004, right - left)) }}
    >
      {right - left > 0.03 && `${rest.number} ${right - left > 0.15 ? 'rests' : ''}`}
    </Link>
  );
}

/** What takes a place, along its row: while hands are on it, while it holds, and what rests in it already. */
export function RowOfPlace({
  id,
  name,
  wide,
  ...shared
}: Shared & { readonly id: string; readonly name: string; readonly wide: number }) {
  const { week, columns, chosen } = shared;
  const own = week.steps.filter((s) => s.spot === id).map((s) => ({ ...s, end: s.hold }));
  const bars = rowItems(own, columns, LEAST_PX / wide).map((item) => {
    if (item.kind === 'few')
      return <Few key={item.steps[0]?.id ?? item.left} item={item} at={name} {...shared} />;
    const step = week.steps.find((s) => s.id === item.step.id);
    const job = week.jobs.find((j) => j.id === item.step.job);
    return (
      step &&
      job && (
        <PlaceBar
          key={step.id}
          step={step}
          number={job.number}
          place={name}
          columns={columns}
          chosen={chosen?.id === step.id}
          related={chosen?.job === step.job}
          {...holdOf(step, shared)}
        />
      )
    );
  });
  return (
    <>
      <RestingHere id={id} name={name} week={week} columns={columns} />
      {bars}
    </>
  );
}
