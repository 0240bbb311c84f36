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
import type { ReactNode } from 'react';
import type { LoadedWeek, WeekStep } from '../../server/week/load-week.ts';
import { dayOf, sayWeekday } from '../kit/dates.ts';
import Link from '../kit/link.tsx';
import { useWidth } from '../kit/use-width.ts';
import { lasting, MINUTE_MS, RowOf, RowOfPlace, type Shared, type Wish } from './week-rows.tsx';
import {
  clock,
  hourLines,
  momentAt,
  placeOf,
  sayRested,
  workedBetween,
  type DayColumn,
} from './week-time.ts';

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

/** What falls on a day without anybody's hands: a job by its number, and what it is in words. */
interface OfDay {
  readonly number: number;
  readonly day: string;
  readonly href: string;
  readonly says: string;
}

/** A row of what falls on each day. */
function RowOfDays({
  name,
  title,
  all,
  columns,
  now,
}: Pick<LoadedWeek, 'now'> &
  Pick<Shared, 'columns'> & {
    readonly name: string;
    readonly title: string;
    readonly all: readonly OfDay[];
  }) {
  if (!columns.some((c) => all.some((k) => k.day === c.day))) return null;
  return (
    <div role="group" aria-label={name} className="flex border-b border-line">
      <div
        className="sticky left-0 z-20 flex w-32 shrink-0 items-center truncate bg-paper pr-2 text-sm"
        aria-hidden
      >
        {title}
      </div>
      <div className="relative h-11 min-w-0 flex-1">
        <Lines columns={columns} now={now} />
        {columns.map((c) => (
          <div
            key={c.day}
            className="absolute inset-y-0 flex items-center gap-1 overflow-hidden pl-1"
            style={{ left: percent(c.left), width: percent(c.width) }}
          >
            {all
              .filter((k) => k.day === c.day)
              .map((k) => (
                <Link
                  key={`${k.number} ${k.says}`}
                  href={k.href}
                  title={`${k.number}, ${k.says}`}
                  className="flex min-h-11 min-w-11 items-center justify-center font-serif font-bold underline"
                >
                  {k.number}
                  <span className="sr-only">, {k.says}</span>
                </Link>
              ))}
          </div>
        ))}
      </div>
    </div>
  );
}

/** Who comes back to be looked at once it has settled: on their day, by the job that went home. */
const checksOf = ({ checks }: LoadedWeek): OfDay[] =>
  checks.map(({ number, day, customer }) => ({
    number,
    day,
    href: `/job/${number}/hand-over`,
    says: `${customer}: the check after it has settled`,
  }));

/** What has rested: on the day its rest ends. */
const restedOf = ({ resting, zone }: LoadedWeek): OfDay[] =>
  resting.map((r) => ({
    number: r.number,
    day: dayOf(r.until),
    href: `/job/${r.number}/work`,
    says: sayRested(r.why, clock(r.until, zone)),
  }));

/** The width of the names before the rows, px. */
const NAMES_PX = 128;
/** An hour of a day that is shown alone, px: wide enough for five minutes to be held. */
const HOUR_PX = 330;
const HOUR_MS = 3_600_000;

/** How wide the rows are at least: a day alone has room for its shortest steps. */
const leastWidth = ([only, ...more]: readonly DayColumn[]): number =>
  only && more.length === 0 ? NAMES_PX + (HOUR_PX * (only.to - only.from)) / HOUR_MS : 0;

/** What a bar that was let go asks for: another row, another time, or, held at its end, more or fewer minutes. */
function wishOf(
  { active, over, delta }: DragEndEvent,
  week: LoadedWeek,
  columns: readonly DayColumn[],
  wide: number,
): { readonly step: WeekStep; readonly to: Wish } | null {
  const [, ofEnd] = /^end:(.*)$/.exec(String(active.id)) ?? [];
  const [, atPlace] = /^place:(.*)$/.exec(String(active.id)) ?? [];
  const step = week.steps.find((s) => s.id === (ofEnd ?? atPlace ?? active.id));
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
  const { week, columns, onPut } = shared;
  const { ref: area, width } = useWidth(1000, 300);
  const wide = Math.max(leastWidth(columns), width);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
  );
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
          <RowOfDays name="Rests that end" title="Rest ends" all={restedOf(week)} {...lines} />
          <RowOfDays name="Checks after hand-over" title="Checks after" all={checksOf(week)} {...lines} />
          <h2 className="sticky left-0 w-60 pt-3 text-sm font-bold text-quiet">Benches, jigs, clamps</h2>
          {week.spots.map((p) => (
            <Row key={p.id} id={`spot:${p.id}`} name={p.name} {...lines}>
              <RowOfPlace id={p.id} name={p.name} wide={wide - NAMES_PX} {...shared} />
            </Row>
          ))}
        </div>
      </div>
    </DndContext>
  );
}
