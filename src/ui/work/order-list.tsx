'use client';

import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { ChevronDown, ChevronUp, GripVertical } from 'lucide-react';
import Link from '../kit/link.tsx';
import { formatMoney } from '../../core/money/currency.ts';
import { sayPlaces } from '../../core/readings/say-places.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';
import type { Line } from './clock.tsx';
import { StepCard } from './step-card.tsx';

interface RowProps {
  readonly job: LeafProps['job'];
  readonly line: Line;
  readonly at: number;
  readonly may: boolean;
  readonly mayMove: boolean;
  readonly busy: boolean;
  readonly onMove: (line: Line, to: number) => void;
}

function Mover({ line, at, busy, onMove }: Omit<RowProps, 'job' | 'may' | 'mayMove'>) {
  const { first, last } = line.range;
  const arrow = (to: number, name: string, icon: React.ReactNode) => (
    <button
      type="button"
      className="flex min-h-11 w-11 cursor-pointer items-center justify-center disabled:cursor-not-allowed disabled:opacity-40"
      aria-label={`${line.title} ${name}`}
      disabled={busy || to < first || to > last}
      onClick={() => onMove(line, to)}
    >
      {icon}
    </button>
  );
  return (
    <div className="flex flex-col">
      {arrow(at - 1, 'earlier', <ChevronUp aria-hidden size={18} />)}
      {arrow(at + 1, 'later', <ChevronDown aria-hidden size={18} />)}
    </div>
  );
}

/** A line that is no step yet, or none any more: what the customer has said of it. */
function NotAgreed({ job, line }: Pick<RowProps, 'job' | 'line'>) {
  return (
    <p className="py-2">
      <b>{line.title}</b>{' '}
      <span className={line.approval === 'asked' ? 'text-rubric' : 'text-quiet'}>
        {line.approval === 'asked'
          ? '◆ waits for the customer’s word'
          : `taken out: ${line.approvedBy} said no, ${line.approvedHow}`}
      </span>
      {line.found !== null && (
        <span className="block text-ink">
          Found while inside{line.askedBy && ` by ${line.askedBy}`}: {line.found}
        </span>
      )}
      <span className="block text-sm text-quiet">
        {formatMoney(line.price + line.parts, job.shop.currency)} · {line.minutes.low} to {line.minutes.high}{' '}
        min
        {line.needs.length > 0 && ` · needs first: ${line.needs.join(', ')}`}
      </span>
    </p>
  );
}

function Row(props: RowProps) {
  const { job, line, may, mayMove } = props;
  const movable = mayMove && line.range.first !== line.range.last;
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: line.id,
    disabled: !movable,
  });
  const read = job.queue.find((n) => n.kind === 'read' && n.before === line.id);
  return (
    <li
      ref={setNodeRef}
      style={{ transform: transform ? `translate3d(0, ${transform.y}px, 0)` : undefined, transition }}
      className={`border-b border-line py-2 ${isDragging ? 'relative z-10 bg-shade' : ''} ${line.step === 'running' ? 'border-l-4 border-l-plain pl-3' : ''}`}
    >
      {read?.kind === 'read' && !line.hinders.some((h) => h.kind === 'reading') && (
        <ReadFirst number={job.number} places={read.places} />
      )}
      <StringsFirst line={line} />
      <div className="flex gap-2">
        {mayMove && !movable && <div className="w-22 shrink-0" />}
        {movable && (
          <div className="flex w-22 shrink-0 items-start">
            <button
              type="button"
              className="flex min-h-11 w-9 cursor-grab touch-none items-center justify-center"
              {...attributes}
              {...listeners}
              aria-label={`Move ${line.title}`}
            >
              <GripVertical aria-hidden size={16} />
            </button>
            <Mover {...props} />
          </div>
        )}
        <div className="min-w-0 flex-1">
          {line.approval === 'yes' ? (
            <StepCard job={job} line={line} may={may} />
          ) : (
            <NotAgreed job={job} line={line} />
          )}
        </div>
      </div>
    </li>
  );
}

/** What has to be done with the strings before a step, where what hinders it does not say so already. */
export function StringsFirst({ line }: { readonly line: Line }) {
  if (line.strings === null || line.hinders.some((h) => h.kind === 'reading')) return null;
  return (
    <p className="mb-1 text-sm text-quiet">
      {line.strings === 'on'
        ? '◇ Before this the strings go on: it is done with them on.'
        : '◇ Before this the strings come off.'}
    </p>
  );
}

/** Readings queued where they are needed: before the step that is cut by them, or before the bench check. */
export function ReadFirst({
  number,
  places,
}: {
  readonly number: number;
  readonly places: readonly { readonly key: string; readonly label: string }[];
}) {
  return (
    <p className="mb-1 flex flex-wrap items-center gap-2 border-l-4 border-l-rubric pl-3 text-sm">
      <span className="text-rubric">◆ Read again first:</span>
      <s className="decoration-rubric">{sayPlaces(places.map((p) => p.label))}</s>
      <Link href={`/job/${number}/readings`} className="button">
        To the readings
      </Link>
    </p>
  );
}

/** The lines of the order in their order: dragged by their handle or moved by keys, within what needs what. */
export function OrderList({ job, allowed }: Pick<LeafProps, 'job' | 'allowed'>) {
  const { give, busy, trouble } = useSend();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const move = (line: Line, to: number) =>
    void give('work.move', { lineId: line.id, version: line.version, to });
  const dropped = ({ active, over }: DragEndEvent) => {
    const line = job.lines.find((l) => l.id === active.id);
    const to = job.lines.findIndex((l) => l.id === over?.id);
    if (line && to >= 0 && line.id !== over?.id) move(line, to);
  };
  const said = (id: unknown): string => job.lines.find((l) => l.id === id)?.title ?? 'the line';
  const place = (id: unknown): string =>
    `place ${job.lines.findIndex((l) => l.id === id) + 1} of ${job.lines.length}`;
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${said(active.id)} is taken up from ${place(active.id)}.`,
    onDragOver: ({ active, over }) => (over ? `${said(active.id)} is over ${place(over.id)}.` : undefined),
    onDragEnd: ({ active, over }) => `${said(active.id)} is put down at ${place(over?.id ?? active.id)}.`,
    onDragCancel: ({ active }) => `${said(active.id)} stays at ${place(active.id)}.`,
  };
  const last = job.queue.find((n) => n.kind === 'read' && n.before === null);
  return (
    <>
      <DndContext
        accessibility={{
          announcements,
          screenReaderInstructions: {
            draggable:
              'Space takes it up, arrows move it, Space puts it down, Escape leaves it where it was.',
          },
        }}
        id="order-lines"
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={dropped}
      >
        <SortableContext items={job.lines.map((l) => l.id)} strategy={verticalListSortingStrategy}>
          <ol aria-label="Steps in their order">
            {job.lines.map((line, at) => (
              <Row
                key={line.id}
                job={job}
                line={line}
                at={at}
                may={allowed.work}
                mayMove={allowed.plan && job.lines.length > 1}
                busy={busy}
                onMove={move}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <Trouble trouble={trouble} />
      {last?.kind === 'read' && <ReadFirst number={job.number} places={last.places} />}
    </>
  );
}
