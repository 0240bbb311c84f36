'use client';

import { useState } from 'react';
import { doorsSchema, type Doors } from '../../contracts/doors.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

const NAMES = { idle: 'Minutes until an untouched tablet asks for a PIN' } as const;
type Typed = Readonly<Record<keyof typeof NAMES, string>>;

const asTyped = ({ idleMinutes }: Doors): Typed => ({
  idle: idleMinutes === null ? '' : String(idleMinutes),
});
const read = ({ idle }: Typed) =>
  doorsSchema.safeParse({
    idleMinutes: idle.trim() === '' ? null : /^\s*\d+\s*$/.test(idle) ? Number(idle) : Number.NaN,
  });

/** After how long a tablet that nobody touches asks for a PIN again. */
export function DoorsEditor({ doors, version }: { readonly doors: Doors; readonly version: number }) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit<Typed>(asTyped(doors), version, 'house:doors');
  const [wrong, setWrong] = useState('');
  const [said, setSaid] = useState('');
  const keep = async () => {
    setSaid('');
    const typed = read(edit.value);
    setWrong(typed.success ? '' : 'From 5 to 840 minutes, or empty: at the end of the working day alone');
    if (!typed.success) return;
    const kept = await edit.save((value, began) => {
      const now = read(value);
      return give('house.save-doors', { version: began, doors: now.success ? now.data : doors });
    });
    if (kept) setSaid('Kept.');
  };
  return (
    <form
      aria-label="An untouched tablet"
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <TextField
        label={NAMES.idle}
        className="w-60"
        error={wrong}
        inputMode="numeric"
        placeholder="the working day"
        value={edit.value.idle}
        onChange={(idle) => edit.set({ idle })}
      />
      <ConflictChoice edit={edit} names={NAMES} />
      <Trouble trouble={trouble} />
      <button type="submit" className="button" disabled={busy}>
        Keep it so
      </button>
      <p role="status">{said}</p>
    </form>
  );
}
