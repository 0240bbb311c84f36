'use client';

import {
  DndContext,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { GripVertical } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { WAIT_NAMES, WAITS, type Wait } from '../../core/job/waiting.ts';
import type { RackTag as Tag } from '../../server/rack/load-rack.ts';
import { RackTag } from './rack-tag.tsx';
import { sayPlace } from '../kit/say-place.ts';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';
import { ScanField } from './scan-field.tsx';

interface Place {
  readonly id: number;
  readonly name: string;
}

function Rail({ wait, children }: { readonly wait: Wait; readonly children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id: wait });
  return (
    <section
      ref={setNodeRef}
      aria-label={WAIT_NAMES[wait].name}
      className={`mb-1.5 flex border-b-[5px] border-rail max-sm:flex-col ${isOver ? 'bg-shade' : ''}`}
    >
      <div className="w-27 shrink-0 pt-1 pr-2">
        <h2 className="text-lg leading-tight">{WAIT_NAMES[wait].name}</h2>
        <p className="text-sm text-quiet">{WAIT_NAMES[wait].hint}</p>
      </div>
      <div className="flex min-h-11 flex-1 flex-wrap gap-2.5">{children}</div>
    </section>
  );
}

/** A tag that is dragged by its handle, or moved by the menu the handle opens. */
function Hung({
  tag,
  today,
  places,
  holds,
  onMove,
}: {
  readonly tag: Tag;
  readonly today: string;
  readonly places: readonly Place[];
  /** the job that hangs at a place */
  readonly holds: (placeId: number) => number | null;
  readonly onMove: (tag: Tag, to: Partial<Pick<Tag, 'waitingFor' | 'placeId'>>) => void;
}) {
  const { listeners, setNodeRef, transform, isDragging } = useDraggable({ id: tag.jobId });
  const item =
    'flex min-h-11 w-full cursor-pointer items-center px-3 text-left data-disabled:opacity-50 data-focus:bg-plain data-focus:text-paper';
  return (
    <div
      ref={setNodeRef}
      className={`relative max-sm:w-full ${isDragging ? 'z-20 opacity-80' : ''}`}
      style={{ transform: transform ? `translate3d(${transform.x}px, ${transform.y}px, 0)` : undefined }}
    >
      <RackTag tag={tag} today={today} />
      <Menu>
        <MenuButton
          {...listeners}
          aria-label={`Move ${tag.number}`}
          className="absolute right-0 bottom-0 flex h-11 w-9 cursor-grab touch-none items-center justify-center text-quiet"
        >
          <GripVertical aria-hidden size={16} />
        </MenuButton>
        <MenuItems
          anchor="bottom start"
          modal={false}
          className="z-40 max-h-80! w-56 border border-plain bg-card py-1 shadow-lg outline-none"
        >
          {WAITS.map((wait) => (
            <MenuItem key={wait} disabled={wait === tag.waitingFor}>
              <button type="button" className={item} onClick={() => onMove(tag, { waitingFor: wait })}>
                To {WAIT_NAMES[wait].name.toLowerCase()}
              </button>
            </MenuItem>
          ))}
          {places.map((p) => (
            <MenuItem key={p.id} disabled={p.id === tag.placeId}>
              <button type="button" className={item} onClick={() => onMove(tag, { placeId: p.id })}>
                Hang it at {sayPlace({ name: p.name, holds: holds(p.id) }, tag.number)}
              </button>
            </MenuItem>
          ))}
        </MenuItems>
      </Menu>
    </div>
  );
}

/** The rails of the shop: tags hang from what they wait for, and are moved by drag, by keys, or by scanning. */
export function RackBoard({
  tags,
  places,
  today,
  empty,
}: {
  readonly tags: readonly Tag[];
  readonly places: readonly Place[];
  readonly today: string;
  readonly empty: ReactNode;
}) {
  const { give, trouble } = useSend();
  const [words, setSaid] = useState('');
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 8 } }));
  const holds = (placeId: number) => tags.find((t) => t.placeId === placeId)?.number ?? null;
  const move = async (
    tag: Tag,
    to: Partial<Pick<Tag, 'waitingFor' | 'placeId'>>,
    said = false,
  ): Promise<boolean> => {
    const onRail = to.waitingFor !== undefined && to.waitingFor !== tag.waitingFor;
    const done = await give('rack.move', {
      jobId: tag.jobId,
      version: tag.version,
      placeId: to.placeId ?? tag.placeId,
      // Whoever was told who hangs there already, and chooses it, means both.
      together: said && to.placeId != null && holds(to.placeId) !== null,
      holderId: tag.holderId,
      waitingFor: to.waitingFor ?? tag.waitingFor,
      waitingNote: onRail ? '' : tag.waitingNote,
    });
    const where = onRail
      ? WAIT_NAMES[to.waitingFor ?? 'hands'].name.toLowerCase()
      : (places.find((p) => p.id === to.placeId)?.name ?? '');
    if (done) setSaid(`${tag.number} hangs at ${where}.`);
    return done !== null;
  };
  const dropped = ({ active, over }: DragEndEvent) => {
    const tag = tags.find((t) => t.jobId === active.id);
    const wait = WAITS.find((w) => w === over?.id);
    if (tag && wait && wait !== tag.waitingFor) void move(tag, { waitingFor: wait });
  };
  return (
    <DndContext id="rack" sensors={sensors} onDragEnd={dropped}>
      <div className="mb-1 flex flex-wrap items-end gap-4">
        <ScanField
          places={places}
          tags={tags}
          onHang={(tag, placeId, again) => move(tag, { placeId }, again)}
          onSay={setSaid}
        />
        <p role="status" className="text-ink">
          {words}
        </p>
        <Trouble trouble={trouble} />
      </div>
      {empty}
      {WAITS.map((wait) => (
        <Rail key={wait} wait={wait}>
          {tags
            .filter((t) => t.waitingFor === wait)
            .map((tag) => (
              <Hung
                key={tag.jobId}
                tag={tag}
                today={today}
                places={places}
                holds={holds}
                onMove={(t, to) => void move(t, to, true)}
              />
            ))}
        </Rail>
      ))}
    </DndContext>
  );
}
