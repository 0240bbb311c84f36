'use client';

import {
  type Announcements,
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { ChevronDown, ChevronUp, GripVertical } from 'lucide-react';
import type { ChecklistItem } from '../../core/inspection/checklist.ts';
import { PHASES } from './words.ts';

interface Props {
  readonly items: readonly ChecklistItem[];
  readonly current: string | null;
  readonly asked: ReadonlySet<string>;
  readonly onChoose: (key: string) => void;
  readonly onMove: (from: number, to: number) => void;
}

/** Moves the chosen item up or down by a key or a tap. */
function Mover({
  name,
  at,
  count,
  onMove,
}: {
  readonly name: string;
  readonly at: number;
  readonly count: number;
  readonly onMove: (from: number, to: number) => void;
}) {
  const button = (to: number, word: string, Icon: typeof ChevronUp) => (
    <button
      type="button"
      className="min-h-11 w-11 cursor-pointer"
      aria-label={`${name} ${word}`}
      disabled={to < 0 || to >= count}
      onClick={() => onMove(at, to)}
    >
      <Icon aria-hidden size={18} className="mx-auto" />
    </button>
  );
  return (
    <>
      {button(at - 1, 'up', ChevronUp)}
      {button(at + 1, 'down', ChevronDown)}
    </>
  );
}

function Row({
  item,
  at,
  count,
  current,
  asked,
  onChoose,
  onMove,
}: Omit<Props, 'items' | 'asked'> & {
  readonly item: ChecklistItem;
  readonly at: number;
  readonly count: number;
  readonly asked: boolean;
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: item.key,
  });
  const chosen = item.key === current;
  const name = item.title || 'the new item';
  return (
    <li
      ref={setNodeRef}
      style={{ transform: transform ? `translate3d(0, ${transform.y}px, 0)` : undefined, transition }}
      className={`flex items-center border-b border-line ${isDragging ? 'relative z-10 bg-shade' : ''} ${chosen ? 'bg-plain text-paper' : ''}`}
    >
      <button
        type="button"
        className="flex min-h-11 w-9 cursor-grab touch-none items-center justify-center"
        {...attributes}
        {...listeners}
        aria-label={`Move ${name}`}
      >
        <GripVertical aria-hidden size={16} />
      </button>
      <button
        type="button"
        aria-current={chosen ? 'true' : undefined}
        className={`min-h-11 min-w-0 flex-1 cursor-pointer truncate text-left ${asked || chosen ? '' : 'text-quiet'}`}
        onClick={() => onChoose(item.key)}
      >
        {name} <span className="text-sm">· {PHASES[item.phase]}</span>
      </button>
      {chosen && <Mover name={name} at={at} count={count} onMove={onMove} />}
    </li>
  );
}

/** The items of a list in their order: dragged by their handle, or moved by keys. */
export function SortableItems({ items, asked, onMove, ...rest }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const dropped = ({ active, over }: DragEndEvent) => {
    const [from, to] = [active.id, over?.id].map((id) => items.findIndex((i) => i.key === id));
    if (from !== undefined && to !== undefined && to >= 0 && from !== to) onMove(from, to);
  };
  const said = (id: unknown): string => items.find((i) => i.key === id)?.title ?? 'the item';
  const place = (id: unknown): string =>
    `place ${items.findIndex((i) => i.key === id) + 1} of ${items.length}`;
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${said(active.id)} is taken up from ${place(active.id)}.`,
    onDragOver: ({ active, over }) => (over ? `${said(active.id)} is over ${place(over.id)}.` : undefined),
    onDragEnd: ({ active, over }) => `${said(active.id)} is put down at ${place(over?.id ?? active.id)}.`,
    onDragCancel: ({ active }) => `${said(active.id)} stays at ${place(active.id)}.`,
  };
  const instructions = {
    draggable: 'Space takes it up, arrows move it, Space puts it down, Escape leaves it where it was.',
  };
  return (
    <DndContext
      accessibility={{ announcements, screenReaderInstructions: instructions }}
      id="checklist-items"
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={dropped}
    >
      <SortableContext items={items.map((i) => i.key)} strategy={verticalListSortingStrategy}>
        <ol aria-label="Items in their order">
          {items.map((item, at) => (
            <Row
              key={item.key}
              item={item}
              at={at}
              count={items.length}
              asked={asked.has(item.key)}
              onMove={onMove}
              {...rest}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}
