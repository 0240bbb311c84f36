'use client';

import { useRef, useState } from 'react';
import type { Role } from '../../core/people/roles.ts';
import { forgetPages } from '../data/forget-pages.ts';
import { lastPage } from '../data/last-page.ts';
import { postJson } from '../data/post-json.ts';

interface Person {
  readonly id: number;
  readonly name: string;
  readonly initials: string;
  readonly role: Role;
}

/** Everybody who works here; one is tapped. */
function People({
  people,
  chosen,
  onChoose,
}: {
  readonly people: readonly Person[];
  readonly chosen: Person | null;
  readonly onChoose: (person: Person) => void;
}) {
  return (
    <ul className="space-y-2">
      {people.map((p) => (
        <li key={p.id}>
          <button
            type="button"
            aria-pressed={chosen?.id === p.id}
            onClick={() => onChoose(p)}
            className={`flex min-h-14 w-full cursor-pointer items-center gap-4 border px-4 text-left ${chosen?.id === p.id ? 'border-plain bg-plain text-paper' : 'border-line bg-card'}`}
          >
            <span aria-hidden className="w-8 font-bold">
              {p.initials}
            </span>
            <span className="text-lg">{p.name}</span>
            <span className="ml-auto text-sm">{p.role}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

/** A PIN as it is typed, and what came of it. */
function usePin(chosen: Person | null, next: string | null) {
  const [pin, setPin] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const begin = () => {
    setPin('');
    setTrouble(null);
    setTimeout(() => field.current?.focus());
  };
  const enter = async () => {
    if (!chosen) return;
    setBusy(true);
    const said = await postJson('/api/session', { personId: chosen.id, pin });
    if (said === null) {
      await forgetPages();
      window.location.assign(next ?? lastPage());
      return;
    }
    setTrouble(said);
    setPin('');
    setBusy(false);
    field.current?.focus();
  };
  return { pin, setPin, trouble, busy, field, begin, enter };
}

/** Tap a name, type four to twelve digits. */
export function SignIn({
  people,
  next,
}: {
  readonly people: readonly Person[];
  readonly next: string | null;
}) {
  const [chosen, setChosen] = useState<Person | null>(null);
  const { pin, setPin, trouble, busy, field, begin, enter } = usePin(chosen, next);
  const choose = (person: Person) => {
    setChosen(person);
    begin();
  };
  return (
    <div className="grid gap-8 sm:grid-cols-2">
      <People people={people} chosen={chosen} onChoose={choose} />
      <form
        onSubmit={(e) => {
          e.preventDefault();
          void enter();
        }}
      >
        <label className="label" htmlFor="pin">
          {chosen ? `PIN of ${chosen.name}` : 'PIN'}
        </label>
        <input
          id="pin"
          ref={field}
          className="field text-2xl tracking-[0.4em]"
          type="password"
          inputMode="numeric"
          autoComplete="off"
          maxLength={12}
          pattern="\d{4,12}"
          value={pin}
          disabled={!chosen}
          onChange={(e) => setPin(e.target.value.replace(/\D/g, ''))}
          aria-describedby={trouble ? 'pin-trouble' : undefined}
        />
        {trouble && (
          <p id="pin-trouble" role="alert" className="mt-2 text-rubric">
            ◆ {trouble}
          </p>
        )}
        <button
          type="submit"
          className="button button-main mt-4"
          disabled={!chosen || busy || pin.length < 4}
        >
          Sign in
        </button>
      </form>
    </div>
  );
}
