'use client';

import { ChevronDown, ChevronUp, X } from 'lucide-react';
import { useState } from 'react';
import { placeNames } from '../../core/work/place-names.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { TextField } from '../kit/text-field.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';

/** A place as the shop keeps it; its id is null until it is kept. */
export interface EditedPlace {
  readonly id: number | null;
  readonly name: string;
  readonly kind: 'rack' | 'bench';
  /** the job that hangs there */
  readonly holds: number | null;
}

const KINDS = { rack: 'hangs', bench: 'bench' } as const;

/** Names or rows of names to be added. */
function Adding({ onAdd }: { readonly onAdd: (names: readonly string[], kind: 'rack' | 'bench') => void }) {
  const [text, setText] = useState('');
  const [kind, setKind] = useState<'rack' | 'bench'>('rack');
  const read = placeNames(text);
  return (
    <form
      aria-label="More places"
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (!read.ok) return;
        onAdd(read.value, kind);
        setText('');
      }}
    >
      <TextField
        label="More places: names, or a row like A1–A6"
        error={text.trim() === '' || read.ok ? undefined : read.error}
        className="w-80"
        value={text}
        onChange={setText}
      />
      <PillChoice quiet legend="What they are" value={kind} options={KINDS} onChange={setKind} />
      <button type="submit" className="button" disabled={!read.ok}>
        Add
      </button>
    </form>
  );
}

/** One place: its name, what it is, its turn in the order, its way out. */
function PlaceRow({
  place,
  at,
  last,
  may,
  onChange,
  onMove,
  onDrop,
}: {
  readonly place: EditedPlace;
  readonly at: number;
  readonly last: boolean;
  readonly may: boolean;
  readonly onChange: (to: EditedPlace) => void;
  readonly onMove: (by: number) => void;
  readonly onDrop: () => void;
}) {
  const button = (name: string, icon: React.ReactNode, disabled: boolean, onClick: () => void) => (
    <button
      type="button"
      className="flex min-h-11 w-11 cursor-pointer items-center justify-center disabled:cursor-not-allowed disabled:opacity-40"
      aria-label={`${place.name || 'this place'} ${name}`}
      disabled={disabled}
      onClick={onClick}
    >
      {icon}
    </button>
  );
  return (
    <li className="flex items-center gap-2 border-b border-line py-1">
      <input
        className="field w-44"
        aria-label={`Place ${at + 1}`}
        maxLength={40}
        readOnly={!may}
        value={place.name}
        onChange={(e) => onChange({ ...place, name: e.target.value })}
      />
      <span className="w-28 text-sm text-quiet">
        {KINDS[place.kind]}
        {place.holds !== null && `, ${place.holds}`}
      </span>
      {may && (
        <>
          {button('earlier', <ChevronUp aria-hidden size={18} />, at === 0, () => onMove(-1))}
          {button('later', <ChevronDown aria-hidden size={18} />, last, () => onMove(1))}
          {button('out', <X aria-hidden size={18} />, place.holds !== null, onDrop)}
        </>
      )}
    </li>
  );
}

/** The places as they are edited, and how they are kept. */
function useEditedPlaces(places: readonly EditedPlace[], version: number) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit({ places }, version, 'house:places');
  const now = edit.value.places;
  const put = (to: readonly EditedPlace[]) => edit.set({ places: to });
  const keep = () =>
    edit.save((value, began) =>
      give('house.save-places', {
        version: began,
        places: value.places.map(({ id, name, kind }) => ({ id, name, kind })),
      }),
    );
  const move = (at: number, by: number) => {
    const to = now.filter((_, i) => i !== at);
    const [one] = now.slice(at, at + 1);
    if (one) put([...to.slice(0, at + by), one, ...to.slice(at + by)]);
  };
  return { edit, now, put, keep, move, busy, trouble };
}

/** Where instruments hang and the benches, in their order. */
export function PlacesEditor({
  places,
  version,
  may,
}: {
  readonly places: readonly EditedPlace[];
  readonly version: number;
  readonly may: boolean;
}) {
  const { edit, now, put, keep, move, busy, trouble } = useEditedPlaces(places, version);
  const wrong = trouble?.code === 'invalid' ? Object.values(trouble.fields)[0] : undefined;
  return (
    <div className="max-w-2xl space-y-4 px-5 py-3">
      {may && (
        <Adding
          onAdd={(names, kind) =>
            put([...now, ...names.map((name) => ({ id: null, name, kind, holds: null }))])
          }
        />
      )}
      <ol aria-label="Places in their order">
        {now.map((p, at) => (
          <PlaceRow
            key={p.id ?? `new-${at}`}
            place={p}
            at={at}
            last={at === now.length - 1}
            may={may}
            onChange={(to) => put(now.map((x, i) => (i === at ? to : x)))}
            onMove={(by) => move(at, by)}
            onDrop={() => put(now.filter((_, i) => i !== at))}
          />
        ))}
      </ol>
      {wrong && (
        <p role="alert" className="text-rubric">
          ◆ {wrong}
        </p>
      )}
      <ConflictChoice edit={edit} names={{ places: 'Places' }} />
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
      {may && (
        <div className="flex gap-3">
          <button
            type="button"
            className="button button-main"
            disabled={busy || !edit.changed || edit.conflicts.length > 0}
            onClick={() => void keep()}
          >
            Keep the places
          </button>
          <button type="button" className="button" disabled={!edit.changed} onClick={edit.reset}>
            Undo my changes
          </button>
        </div>
      )}
    </div>
  );
}
