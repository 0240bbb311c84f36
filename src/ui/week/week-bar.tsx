'use client';

import { useDraggable } from '@dnd-kit/core';
import { Pin } from 'lucide-react';
import type { KeyboardEvent } from 'react';
import type { WeekJob, WeekStep } from '../../server/week/load-week.ts';
import { placeOf, type DayColumn } from './week-time.ts';

/** From which width on a bar has room for its number, and for its title, px. */
const NUMBER_PX = 24;
const TITLE_PX = 64;
const percent = (part: number): string => `${(100 * part).toFixed(3)}%`;

/** What a bar says to who does not see it. */
export const barLabel = (step: WeekStep, job: WeekJob, when: string): string =>
  `${job.number} ${step.title}${step.guess ? ', likely' : ''}, ${when}${step.put?.at ? ', put there' : ''}${job.endangered ? ', its date is in danger' : ''}`;

interface Shown {
  readonly step: WeekStep;
  readonly job: WeekJob;
  readonly columns: readonly DayColumn[];
  readonly chosen: boolean;
  /** another step of the same instrument is chosen */
  readonly related: boolean;
}

/** What follows a bar: the thread of its rest, and how much longer it may take. */
export function After({ step, columns, chosen, related }: Omit<Shown, 'job'>) {
  const right = placeOf(columns, step.end);
  const rested = placeOf(columns, step.free);
  const faded = placeOf(columns, step.end + step.longer);
  const thread = chosen || related ? 'border-t-2 border-ink' : 'border-quiet';
  return (
    <>
      {rested > right && (
        <span
          aria-hidden
          className={`absolute top-1/2 h-0 border-t border-dotted ${thread}`}
          style={{ left: percent(right), width: percent(rested - right) }}
        />
      )}
      {faded > right && (
        <span
          aria-hidden
          className="absolute top-2 h-7 bg-linear-to-r from-quiet/40 to-transparent"
          style={{ left: percent(right), width: percent(Math.min(1, faded) - right) }}
        />
      )}
    </>
  );
}

/** How a bar looks: red where its date is in danger, dashed where it is only likely, full where it runs. */
function looks({ step, job, chosen, related }: Omit<Shown, 'columns'>): string {
  const sure = step.guess ? 'border-quiet border-dashed' : 'border-plain';
  const fill = related || chosen ? 'bg-shade' : 'bg-card';
  return [
    job.endangered ? 'border-rubric text-rubric' : sure,
    step.running ? 'bg-plain text-paper' : fill,
    chosen ? 'z-10 outline-2 outline-offset-1 outline-ink' : '',
  ].join(' ');
}

/** How wide a bar has to be that its end can be held, px. */
const END_PX = 44;

/** The end of a bar: drawn to the right the step lasts longer. */
function End({ id }: { readonly id: string }) {
  const { setNodeRef, listeners } = useDraggable({ id: `end:${id}` });
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      aria-hidden
      className="absolute inset-y-0 right-0 w-3 cursor-ew-resize touch-manipulation border-r-4 border-double border-current"
    />
  );
}

/** A step on the board: its hands-on stretch, faded where it may take longer, and the thread of its rest. */
export function WeekBar({
  when,
  wide,
  may,
  onChoose,
  onKey,
  ...shown
}: Shown & {
  readonly when: string;
  /** how wide the whole row is, px */
  readonly wide: number;
  readonly may: boolean;
  readonly onChoose: () => void;
  readonly onKey: (e: KeyboardEvent) => void;
}) {
  const { step, job, columns, chosen } = shown;
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: step.id, disabled: !may });
  const left = placeOf(columns, step.start);
  const right = placeOf(columns, step.end);
  if (right <= 0 || left >= 1) return null;
  const px = (right - left) * wide;
  const hold = `${may ? 'cursor-grab touch-manipulation' : ''} ${isDragging ? 'z-20 shadow-lg' : ''}`;
  return (
    <>
      {!isDragging && <After {...shown} />}
      <button
        ref={setNodeRef}
        type="button"
        {...listeners}
        aria-label={barLabel(step, job, when)}
        aria-pressed={chosen}
        onClick={onChoose}
        onKeyDown={onKey}
        className={`absolute top-1.5 flex h-8 min-w-2 items-center gap-1 overflow-hidden border-2 px-0.5 text-left text-sm whitespace-nowrap ${looks(shown)} ${hold}`}
        style={{
          left: percent(left),
          width: percent(Math.max(0.004, right - left)),
          ...(transform && { transform: `translate(${transform.x}px, ${transform.y}px)` }),
        }}
      >
        {(step.put?.at ?? null) !== null && <Pin aria-hidden size={12} className="shrink-0" />}
        {px > NUMBER_PX && (
          <b className={`font-serif ${px > TITLE_PX ? '' : 'mx-auto text-xs'}`}>{job.number}</b>
        )}
        {px > TITLE_PX && (
          <span className="truncate">
            {' '}
            {step.title}
            {step.guess && ', likely'}
          </span>
        )}
        {may && chosen && px > END_PX && <End id={step.id} />}
      </button>
    </>
  );
}

/** A step in the row of the place it takes, while hands are on it and while it holds; drawn, it moves as it does in its other row. */
export function PlaceBar({
  step,
  number,
  place,
  when,
  columns,
  chosen,
  related,
  may,
  onChoose,
  onKey,
}: Omit<Shown, 'job'> & {
  readonly number: number;
  readonly place: string;
  readonly when: string;
  readonly may: boolean;
  readonly onChoose: () => void;
  readonly onKey: (e: KeyboardEvent) => void;
}) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({
    id: `place:${step.id}`,
    disabled: !may,
  });
  const [left, right] = [placeOf(columns, step.start), placeOf(columns, step.hold)];
  if (right <= 0 || left >= 1) return null;
  const hold = `${may ? 'cursor-grab touch-manipulation' : ''} ${isDragging ? 'z-20 shadow-lg' : ''}`;
  const outline = chosen ? 'z-10 outline-2 outline-offset-1 outline-ink' : '';
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...listeners}
      aria-label={`${place}: ${number} ${step.title}, ${when}`}
      aria-pressed={chosen}
      title={`${number} ${step.title}`}
      onClick={onChoose}
      onKeyDown={onKey}
      className={`absolute top-2 h-7 min-w-6 overflow-hidden border border-quiet px-1 text-left text-xs whitespace-nowrap ${related ? 'bg-shade text-ink' : 'bg-card text-quiet'} ${outline} ${hold}`}
      style={{
        left: percent(left),
        width: percent(Math.max(0.004, right - left)),
        ...(transform && { transform: `translate(${transform.x}px, ${transform.y}px)` }),
      }}
    >
      {right - left > 0.03 && number}
    </button>
  );
}
