'use client';

import {
  DndContext,
  MouseSensor,
  TouchSensor,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import type { KeyboardEvent, ReactNode } from 'react';
import type { LoadedWeek, WeekStep } from '../../server/week/load-week.ts';
import { dayOf, sayWeekday } from '../kit/dates.ts';
import { useWidth } from '../kit/use-width.ts';
import type { Day } from '../../core/days/zone.ts';
import { After, WeekBar } from './week-bar.tsx';
import {
  clock,
  hourLines,
  momentAt,
  placeOf,
  rowItems,
  workedBetween,
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

interface Shared {
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
const MINUTE_MS = 60_000;
const QUARTER_MS = QUARTER * MINUTE_MS;
const LEAST_MINUTES = 5;
const percent = (part: number): string => `${(100 * part).toFixed(3)}%`;

/** The days' lines behind a row, and where now is. */
function Lines({ columns, now }: { readonly columns: readonly DayColumn[]; readonly now: number }) {
  const today = placeOf(columns, now);
  return (
    <div aria-hidden className="pointer-events-none absolute inset-0">
      {columns.map((c) => (
        <span
          key={c.day}
          className={`absolute inset-y-0 border-l border-line ${c.closed ? 'bg-shade' : ''}`}
          style={{ left: percent(c.left), width: percent(c.width) }}
        />
      ))}
      {today > 0 && today < 1 && (
        <span className="absolute inset-y-0 border-l-2 border-ink" style={{ left: percent(today) }} />
      )}
    </div>
  );
}

function Row({
  name,
  id,
  children,
  ...lines
}: {
  readonly name: string;
  readonly id: string;
  readonly columns: readonly DayColumn[];
  readonly now: number;
  readonly children: ReactNode;
}) {
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <div role="group" aria-label={name} className="flex border-b border-line">
      <div
        className="sticky left-0 z-20 flex w-32 shrink-0 items-center truncate bg-paper pr-2 text-sm"
        aria-hidden
      >
        {name}
      </div>
      <div ref={setNodeRef} className={`relative h-11 min-w-0 flex-1 ${isOver ? 'bg-shade' : ''}`}>
        <Lines {...lines} />
        {children}
      </div>
    </div>
  );
}

/** The head of the board: days, and hours where there is room. */
function Head({ columns, zone }: { readonly columns: readonly DayColumn[]; readonly zone: string }) {
  const every = columns.length === 1 ? 1 : columns.length <= 7 ? 3 : 24;
  return (
    <div className="flex border-b border-plain">
      <div className="sticky left-0 z-20 w-32 shrink-0 bg-paper" />
      <div className="relative h-12 flex-1 overflow-hidden">
        {columns.map((c) => (
          <div
            key={c.day}
            className="absolute inset-y-0 border-l border-line pl-1 text-sm whitespace-nowrap"
            style={{ left: percent(c.left), width: percent(c.width) }}
          >
            {!c.closed && (
              <b>
                {columns.length > 7 ? sayWeekday(c.day).split(' ').slice(0, 2).join(' ') : sayWeekday(c.day)}
              </b>
            )}
          </div>
        ))}
        {columns.flatMap((c) =>
          hourLines(c, every).map((l) => (
            <span
              key={l.at}
              className="absolute bottom-0 -translate-x-1/2 text-xs text-quiet"
              style={{ left: percent(l.left) }}
            >
              {clock(l.at, zone)}
            </span>
          )),
        )}
      </div>
    </div>
  );
}

/** A step made longer or shorter by so many minutes; where it stands is left as it was said. */
const lasting = (step: WeekStep, by: number): Wish => ({
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

/** A step in the row of who does it. */
function Bar({ step, wide, ...shared }: Shared & { readonly step: WeekStep; readonly wide: number }) {
  const { week, columns, chosen, may, onChoose, onPut, onGiveBack } = shared;
  const job = week.jobs.find((j) => j.id === step.job);
  if (!job) return null;
  const day = (columns.findLast((c) => c.from <= step.start) ?? columns[0])?.day ?? week.today;
  const key = (e: KeyboardEvent) => {
    const wish = may && !step.running ? keyWish(e, step, week.workers) : null;
    if (wish === null) return;
    e.preventDefault();
    if (wish === 'back') onGiveBack(step);
    else onPut(step, { ...wish, at: wish.at === null ? null : Math.max(wish.at, week.now) });
  };
  return (
    <WeekBar
      step={step}
      job={job}
      columns={columns}
      wide={wide}
      when={`${sayWeekday(day)} ${clock(step.start, week.zone)} to ${clock(step.end, week.zone)}`}
      chosen={chosen?.id === step.id}
      related={chosen?.job === step.job}
      may={may && !step.running}
      onChoose={() => onChoose(step)}
      onKey={key}
    />
  );
}

/** The width of the names before the rows, and the narrowest that is tapped, px. */
const NAMES_PX = 128;
const LEAST_PX = 28;
/** An hour of a day that is shown alone, px: wide enough for five minutes to be held. */
const HOUR_PX = 330;
const HOUR_MS = 3_600_000;

/** How wide the rows are at least: a day alone has room for its shortest steps. */
const leastWidth = ([only, ...more]: readonly DayColumn[]): number =>
  only && more.length === 0 ? NAMES_PX + (HOUR_PX * (only.to - only.from)) / HOUR_MS : 0;

/** Some steps that are too narrow to be held each: a tap shows their day. */
function Few({ item, ...shared }: Shared & { readonly item: Extract<RowItem<WeekStep>, { kind: 'few' }> }) {
  const { week, columns, chosen, onDay } = shared;
  const jobs = item.steps.flatMap((s) => week.jobs.find((j) => j.id === s.job) ?? []);
  const red = jobs.some((j) => j.endangered);
  const day = dayOf(item.steps[0]?.start ?? week.now);
  const names = [...new Set(jobs.map((j) => j.number))].join(', ');
  const related = item.steps.some((s) => s.job === chosen?.job);
  return (
    <>
      {item.steps.map((s) => (
        <After key={s.id} step={s} columns={columns} chosen={false} related={chosen?.job === s.job} />
      ))}
      <button
        type="button"
        className={`absolute top-1.5 flex h-8 items-center overflow-hidden border-2 px-0.5 text-xs ${red ? 'border-rubric text-rubric' : 'border-plain'} ${related ? 'bg-shade' : 'bg-card'}`}
        style={{ left: percent(item.left), width: percent(item.right - item.left) }}
        aria-label={`${item.steps.length} short ${item.steps.length === 1 ? 'step' : 'steps'} of ${names}, ${sayWeekday(day)}: show that day${red ? '; a date is in danger' : ''}`}
        title={names}
        onClick={() => onDay(day)}
      >
        <span className="mx-auto">{item.steps.length === 1 ? names : `${item.steps.length} ·`}</span>
      </button>
    </>
  );
}

/** What somebody does, along their row. */
function RowOf({ worker, wide, ...shared }: Shared & { readonly worker: number; readonly wide: number }) {
  const own = shared.week.steps.filter((s) => s.worker === worker);
  return rowItems(own, shared.columns, LEAST_PX / wide).map((item) =>
    item.kind === 'step' ? (
      <Bar key={item.step.id} step={item.step} wide={wide} {...shared} />
    ) : (
      <Few key={item.steps[0]?.id ?? item.left} item={item} {...shared} />
    ),
  );
}

/** What a bar that was let go asks for: another row, another time, or, held at its end, more or fewer minutes. */
function wishOf(
  { active, over, delta }: DragEndEvent,
  week: LoadedWeek,
  columns: readonly DayColumn[],
  wide: number,
): { readonly step: WeekStep; readonly to: Wish } | null {
  const [, ofEnd] = /^end:(.*)$/.exec(String(active.id)) ?? [];
  const step = week.steps.find((s) => s.id === (ofEnd ?? active.id));
  if (!step || (delta.x === 0 && delta.y === 0)) return null;
  const moved = (from: number): number => momentAt(columns, placeOf(columns, from) + delta.x / wide);
  if (ofEnd !== undefined) {
    const hours = week.workers.find((w) => w.id === step.worker)?.hours ?? [];
    const by = Math.round(workedBetween(hours, step.end, moved(step.end)) / MINUTE_MS);
    return { step, to: lasting(step, by) };
  }
  const row = /^worker:(\d+)$/.exec(String(over?.id ?? ''));
  const worker = row ? Number(row[1]) : step.worker;
  const at = Math.abs(delta.x) > 5 ? moved(step.start) : step.start;
  return { step, to: { worker, at: Math.max(at, week.now) } };
}

/** Rows of people, and under them benches, clamps and jigs, over the hours of the shop. */
export function WeekBoard(shared: Shared) {
  const { week, columns, chosen, onPut } = shared;
  const { ref: area, width } = useWidth(1000, 300);
  const wide = Math.max(leastWidth(columns), width);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
  );
  const numbers = new Map(week.jobs.map((j) => [j.id, j.number]));
  const dropped = (e: DragEndEvent) => {
    const wish = wishOf(e, week, columns, wide - NAMES_PX);
    if (wish) onPut(wish.step, wish.to);
  };
  const lines = { columns, now: week.now };
  return (
    <DndContext id="week" sensors={sensors} onDragEnd={dropped}>
      <div
        ref={area}
        role="region"
        aria-label="The board"
        tabIndex={0}
        className="overflow-x-auto overflow-y-hidden select-none"
      >
        <div style={{ minWidth: `${leastWidth(columns)}px` }}>
          <Head columns={columns} zone={week.zone} />
          {week.workers.map((w) => (
            <Row key={w.id} id={`worker:${w.id}`} name={w.name} {...lines}>
              <RowOf worker={w.id} wide={wide - NAMES_PX} {...shared} />
            </Row>
          ))}
          <h2 className="sticky left-0 w-60 pt-3 text-sm font-bold text-quiet">Benches, jigs, clamps</h2>
          {week.spots.map((p) => (
            <Row key={p.id} id={`spot:${p.id}`} name={p.name} {...lines}>
              {week.steps
                .filter((s) => s.spot === p.id)
                .map((s) => (
                  <Taken
                    key={s.id}
                    step={s}
                    number={numbers.get(s.job) ?? 0}
                    columns={columns}
                    related={chosen?.job === s.job}
                  />
                ))}
            </Row>
          ))}
        </div>
      </div>
    </DndContext>
  );
}

/** A place that is taken, while hands are on it and while it holds. */
function Taken({
  step,
  number,
  columns,
  related,
}: {
  readonly step: WeekStep;
  readonly number: number;
  readonly columns: readonly DayColumn[];
  readonly related: boolean;
}) {
  const [left, right] = [placeOf(columns, step.start), placeOf(columns, step.hold)];
  if (right <= 0 || left >= 1) return null;
  return (
    <span
      className={`absolute top-2.5 h-6 overflow-hidden border border-quiet px-1 text-xs leading-5 whitespace-nowrap ${related ? 'bg-shade text-ink' : 'bg-card text-quiet'}`}
      style={{ left: percent(left), width: percent(Math.max(0.004, right - left)) }}
      title={`${number} ${step.title}`}
    >
      {right - left > 0.03 && number}
    </span>
  );
}
