'use client';

import { useState } from 'react';
import { WATCHED, WATCHED_IDS, type WatchedId } from '../../core/learn/watched.ts';
import type { LoadedWatch } from '../../server/shelf/load-watches.ts';
import { useSend } from '../data/use-send.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import type { DisplayUnit } from '../../core/units/length-units.ts';

const SIDES = { above: 'not over', below: 'not under' } as const;
type Side = keyof typeof SIDES;

/** What is typed of a limit. */
export interface Typed {
  readonly what: WatchedId;
  readonly side: Side;
  readonly limit: string;
  readonly note: string;
}

/** The fields of a limit: what, which side, how much, why. */
function LimitFields({
  typed,
  fixed,
  error,
  onChange,
}: {
  readonly typed: Typed;
  /** what is watched stays as it is */
  readonly fixed: boolean;
  readonly error: string | undefined;
  readonly onChange: (typed: Typed) => void;
}) {
  return (
    <>
      {!fixed && (
        <FormField label="What" className="w-full">
          {(w) => (
            <ListChoice
              {...w}
              value={typed.what}
              items={WATCHED_IDS.map((id) => ({ value: id, name: WATCHED[id].name }))}
              onChange={(v) =>
                onChange({ ...typed, what: v as WatchedId, side: WATCHED[v as WatchedId].side })
              }
            />
          )}
        </FormField>
      )}
      <div className="flex flex-wrap items-end gap-2">
        <PillChoice
          quiet
          legend="Which side of the limit"
          value={typed.side}
          options={SIDES}
          onChange={(side) => onChange({ ...typed, side })}
        />
        <TextField
          label="Limit"
          error={error}
          className="w-32"
          inputMode="decimal"
          value={typed.limit}
          onChange={(limit) => onChange({ ...typed, limit })}
        />
      </div>
      <TextField
        label="Why, or what to do then"
        maxLength={200}
        value={typed.note}
        onChange={(note) => onChange({ ...typed, note })}
      />
    </>
  );
}

const unitOf = (what: WatchedId, unit: DisplayUnit) =>
  WATCHED[what].quantity === 'action' ? unit : unit === 'mm' ? ('mm' as const) : ('thou' as const);

/** The limit of something watched as it is changed, or ended. */
export function ChangeLimit({
  watch,
  now,
  unit,
  onDone,
}: {
  readonly watch: LoadedWatch;
  readonly now: Typed;
  readonly unit: DisplayUnit;
  readonly onDone: () => void;
}) {
  const { give, busy, trouble } = useSend();
  const [typed, setTyped] = useState(now);
  const send = async (ended: boolean) => {
    const { limit, side, note } = typed;
    const { id: watchId, version } = watch;
    const sent = { watchId, version, limit, unit: unitOf(watch.what, unit), side, note, ended };
    if (await give('shelf.change-watch', sent)) onDone();
  };
  return (
    <form
      aria-label={`Limit of ${WATCHED[watch.what].name}`}
      className="space-y-2 pt-1"
      onSubmit={(e) => {
        e.preventDefault();
        void send(false);
      }}
    >
      <LimitFields
        fixed
        typed={typed}
        error={trouble?.code === 'invalid' ? trouble.fields['limit'] : undefined}
        onChange={setTyped}
      />
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="button button-main" disabled={busy}>
          Keep the limit
        </button>
        <button type="button" className="button" disabled={busy} onClick={() => void send(true)}>
          Watch it no longer
        </button>
        <button type="button" className="button" onClick={onDone}>
          Leave it
        </button>
      </div>
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
    </form>
  );
}

const NEW: Typed = { what: 'action-bass', side: 'above', limit: '', note: '' };

/** Something new to watch. */
export function NewWatch({
  instrumentId,
  unit,
  onDone,
}: {
  readonly instrumentId: number;
  readonly unit: DisplayUnit;
  readonly onDone: () => void;
}) {
  const { give, busy, trouble } = useSend();
  const [typed, setTyped] = useState(NEW);
  const keep = async () => {
    if (await give('shelf.watch', { instrumentId, ...typed, unit: unitOf(typed.what, unit) })) onDone();
  };
  return (
    <form
      aria-label="Watch something"
      className="space-y-2 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <LimitFields
        fixed={false}
        typed={typed}
        error={trouble?.code === 'invalid' ? trouble.fields['limit'] : undefined}
        onChange={setTyped}
      />
      <div className="flex gap-2">
        <button type="submit" className="button button-main" disabled={busy || typed.limit.trim() === ''}>
          Watch it
        </button>
        <button type="button" className="button" onClick={onDone}>
          Leave it
        </button>
      </div>
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
    </form>
  );
}
