'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useState } from 'react';
import { SKILLS } from '../../core/catalogue/operation-record.ts';
import { sayWeek } from '../../core/days/opening.ts';
import { pinProblem } from '../../core/people/pin.ts';
import type { Role } from '../../core/people/roles.ts';
import type { LoadedPerson } from '../../server/people/load-people.ts';
import { useSend } from '../data/use-send.ts';
import { Trouble } from '../kit/trouble.tsx';
import { OwnPin } from './own-pin.tsx';
import { PinField } from './pin-fields.tsx';
import { Sideways } from '../kit/sideways.tsx';

const PersonForm = lazyPart(() => import('./person-form.tsx').then((m) => m.PersonForm));

/** What is done about somebody beside their facts: another PIN, leaving, coming back. */
function PersonDeeds({ person, me }: { readonly person: LoadedPerson; readonly me: number }) {
  const { give, busy, trouble } = useSend();
  const [pin, setPin] = useState('');
  const [said, setSaid] = useState('');
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const setNew = async () => {
    if (!(await give('people.set-pin', { id: person.id, pin }))) return;
    setPin('');
    setSaid(`${person.name} has the new PIN from now on, and is signed out everywhere.`);
  };
  const leave = (left: boolean) => give('people.leave', { id: person.id, version: person.version, left });
  return (
    <div className="space-y-3 border-t border-line pt-3">
      {person.active && (
        <div className="flex flex-wrap items-end gap-3">
          <PinField label="Another PIN for them" fresh value={pin} error={fields['pin']} onChange={setPin} />
          <button
            type="button"
            className="button"
            disabled={busy || pinProblem(pin) !== null}
            onClick={() => void setNew()}
          >
            Give the PIN
          </button>
        </div>
      )}
      <p role="status">{said}</p>
      {person.id !== me && (
        <button type="button" className="button" disabled={busy} onClick={() => void leave(person.active)}>
          {person.active ? 'They have left the shop' : 'They are back'}
        </button>
      )}
      {person.active && person.id !== me && (
        <p className="text-sm text-quiet">
          Who has left can no longer sign in; what they did keeps their name.
        </p>
      )}
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
    </div>
  );
}

/** Everybody of the shop, a row each. */
function PeopleTable({
  people,
  open,
  may,
  onOpen,
}: {
  readonly people: readonly LoadedPerson[];
  readonly open: number | null;
  readonly may: boolean;
  readonly onOpen: (id: number) => void;
}) {
  return (
    <Sideways label="Everybody of the shop">
      <table className="w-full text-left">
        <caption className="sr-only">Everybody of the shop</caption>
        <thead>
          <tr className="border-b-2 border-plain">
            {['Name', 'Letters', 'Role', 'What they can be given', ''].map((h) => (
              <th key={h} scope="col" className="pr-4">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {people.map((p) => (
            <tr key={p.id} className={`border-b border-line ${p.id === open ? 'bg-shade' : ''}`}>
              <th scope="row" className={`pr-4 font-normal ${p.active ? '' : 'text-quiet'}`}>
                {p.name}
                {p.active ? '' : ' (has left)'}
                {p.hours !== null && (
                  <span className="block text-sm text-quiet">{sayWeek(p.hours) || 'no hours'}</span>
                )}
              </th>
              <td className="pr-4">{p.initials}</td>
              <td className="pr-4">{p.role}</td>
              <td className="min-w-40 pr-4">{SKILLS[p.skill]}</td>
              <td className="text-right">
                {may && (
                  <button type="button" className="button my-1" onClick={() => onOpen(p.id)}>
                    Change<span className="sr-only"> {p.name}</span>
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Sideways>
  );
}

/** Who works here: added, renamed, given a role, a skill, a PIN; who has left. And one's own PIN. */
export function PeopleEditor({
  people,
  me,
  role,
  may,
}: {
  readonly people: readonly LoadedPerson[];
  readonly me: number;
  readonly role: Role;
  readonly may: boolean;
}) {
  const [open, setOpen] = useState<number | 'new' | null>(null);
  const person = people.find((p) => p.id === open) ?? null;
  // An owner is changed by an owner alone.
  const mayChange = person === null || person.role !== 'owner' || role === 'owner';
  return (
    <div className="grid gap-6 px-5 py-3 lg:grid-cols-[1fr_26rem]">
      <section aria-label="People" className="min-w-0 space-y-4">
        {!may && <p className="text-quiet">A lead or an owner changes who works here.</p>}
        <PeopleTable
          people={people}
          open={typeof open === 'number' ? open : null}
          may={may}
          onOpen={(id) => setOpen(id)}
        />
        {may && (
          <button type="button" className="button" onClick={() => setOpen('new')}>
            Add somebody
          </button>
        )}
        <OwnPin />
      </section>
      <section aria-label="Changing" className="space-y-4">
        {open === 'new' && (
          <Suspense>
            <PersonForm person={null} onDone={() => setOpen(null)} />
          </Suspense>
        )}
        {person !== null &&
          (mayChange ? (
            <Suspense>
              <PersonForm key={person.id} person={person} onDone={() => setOpen(null)} />
              <PersonDeeds key={`deeds ${person.id}`} person={person} me={me} />
            </Suspense>
          ) : (
            <p>An owner is changed by an owner alone.</p>
          ))}
      </section>
    </div>
  );
}
