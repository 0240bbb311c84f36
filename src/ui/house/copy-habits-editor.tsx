'use client';

import { useState } from 'react';
import { copiesSchema, type CopyHabits } from '../../contracts/copies.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

const ASKED: Readonly<Record<keyof CopyHabits, string>> = {
  at: 'Made each night from, by the shop’s clock',
  daily: 'Days of which one stays',
  weekly: 'Weeks of which one stays',
  monthly: 'Months of which one stays',
};
const KEYS = Object.keys(ASKED) as (keyof CopyHabits)[];
type Typed = Readonly<Record<keyof CopyHabits, string>>;

const asTyped = (c: CopyHabits): Typed => Object.fromEntries(KEYS.map((k) => [k, String(c[k])])) as Typed;
/** What cannot be read as a whole number is none: the schema says so at its field. */
const whole = (text: string): number => (/^\s*\d{1,3}\s*$/.test(text) ? Number(text) : Number.NaN);
const read = (t: Typed) =>
  copiesSchema.safeParse({
    at: t.at.trim(),
    daily: whole(t.daily),
    weekly: whole(t.weekly),
    monthly: whole(t.monthly),
  });

function useHabits(copies: CopyHabits, version: number) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit<Typed>(asTyped(copies), version, 'house:copies');
  const [wrong, setWrong] = useState<Partial<Typed>>({});
  const [said, setSaid] = useState('');
  const keep = async () => {
    setSaid('');
    const typed = read(edit.value);
    const issues = typed.success ? [] : typed.error.issues;
    setWrong(
      Object.fromEntries(
        issues.map((i) => [
          i.path[0],
          i.path[0] === 'at' ? 'A time such as 02:30' : 'A whole number up to 400',
        ]),
      ),
    );
    if (!typed.success) return;
    const kept = await edit.save((value, began) => {
      const now = read(value);
      return give('house.save-copies', { version: began, copies: now.success ? now.data : copies });
    });
    if (kept) setSaid('Kept.');
  };
  return { edit, keep, wrong, said, busy, trouble };
}

/** What is done where the house runs. */
function AtTheMachine() {
  return (
    <>
      <h2 className="text-xl">At the machine</h2>
      <ul className="list-disc space-y-1 pl-5 text-sm">
        <li>
          A copy now, on a disk that goes home with you: <code>./rubrica backup FOLDER</code>
        </li>
        <li>
          Whether a copy is whole: <code>./rubrica backup --check FILE</code>
        </li>
        <li>
          To look at one beside the present record: <code>./rubrica restore FILE --beside</code>
        </li>
        <li>
          Into an empty house, on this or another machine: <code>./rubrica restore FILE</code>
        </li>
        <li>
          A copy holds every name and the house’s secret. Under a passphrase the secret stays shut:{' '}
          <code>./rubrica backup --seal</code>
        </li>
      </ul>
    </>
  );
}

/** When copies are made by themselves, and how many stay; how to put one back. */
export function CopyHabitsEditor({
  copies,
  version,
  may,
}: {
  readonly copies: CopyHabits;
  readonly version: number;
  readonly may: boolean;
}) {
  const { edit, keep, wrong, said, busy, trouble } = useHabits(copies, version);
  return (
    <form
      aria-label="How copies are made"
      className="space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <h2 className="text-xl">How copies are made</h2>
      <p className="text-sm text-quiet">
        By itself, each night, and by day where the machine was off at night. All copies of the last 24 hours
        stay.
      </p>
      {KEYS.map((k) => (
        <TextField
          key={k}
          label={ASKED[k]}
          className="w-40"
          error={wrong[k]}
          inputMode={k === 'at' ? 'text' : 'numeric'}
          readOnly={!may}
          value={edit.value[k]}
          onChange={(text) => edit.set({ [k]: text })}
        />
      ))}
      <ConflictChoice edit={edit} names={ASKED} />
      <Trouble trouble={trouble} />
      {may ? (
        <button type="submit" className="button button-main" disabled={busy}>
          Keep it so
        </button>
      ) : (
        <p className="text-quiet">A lead or the owner changes this.</p>
      )}
      <p role="status">{said}</p>
      <AtTheMachine />
    </form>
  );
}
