'use client';

import { useState } from 'react';
import { SKILLS, type Skill } from '../../core/catalogue/operation-record.ts';
import { NO_HOURS } from '../../core/days/opening.ts';
import { shopOpening } from '../kit/dates.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { readWeek, WeekFields, weekTexts, type WeekTexts } from './week-fields.tsx';
import { pinProblem } from '../../core/people/pin.ts';
import { ROLES, type Role } from '../../core/people/roles.ts';
import { initialsOf } from '../../core/people/staff.ts';
import type { LoadedPerson } from '../../server/people/load-people.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { PinField } from './pin-fields.tsx';

/** What a role may do, in the bench's words. */
const ROLE_WORDS: Readonly<Record<Role, string>> = {
  desk: 'desk: takes in, hands back, takes the customer’s word',
  technician: 'technician: inspects, reads, plans, works',
  lead: 'lead: all of it, targets, prices and people too',
  owner: 'owner: everything',
};

interface Texts extends Record<string, unknown> {
  /** whether they work when the shop is open, or at hours of their own */
  readonly own: 'shop' | 'own';
  readonly week: WeekTexts;
  readonly name: string;
  readonly initials: string;
  readonly role: Role;
  readonly skill: Skill;
}

const FRESH: Texts = {
  own: 'shop',
  week: weekTexts(null),
  name: '',
  initials: '',
  role: 'technician',
  skill: 'setup',
};

const textsOf = (p: LoadedPerson | null): Texts =>
  p
    ? {
        own: p.hours === null ? 'shop' : 'own',
        week: weekTexts(p.hours),
        name: p.name,
        initials: p.initials,
        role: p.role,
        skill: p.skill,
      }
    : FRESH;

/** The fields of somebody of the shop. */
function PersonFields({
  value,
  fields,
  onChange,
}: {
  readonly value: Texts;
  readonly fields: Readonly<Record<string, string>>;
  readonly onChange: (some: Partial<Texts>) => void;
}) {
  return (
    <>
      <div className="flex gap-3">
        <TextField
          label="Name"
          error={fields['name']}
          className="flex-1"
          maxLength={80}
          value={value.name}
          onChange={(text) => onChange({ name: text })}
        />
        <TextField
          label="Letters on the tag"
          error={fields['initials']}
          className="w-36"
          maxLength={4}
          placeholder={initialsOf(value.name)}
          value={value.initials}
          onChange={(text) => onChange({ initials: text })}
        />
      </div>
      <FormField label="Role" error={fields['role']}>
        {(w) => (
          <ListChoice
            {...w}
            value={value.role}
            items={ROLES.map((r) => ({ value: r, name: ROLE_WORDS[r] }))}
            onChange={(role) => onChange({ role: role as Role })}
          />
        )}
      </FormField>
      <FormField label="What they can be given" error={fields['skill']}>
        {(w) => (
          <ListChoice
            {...w}
            value={value.skill}
            items={(Object.keys(SKILLS) as Skill[]).map((s) => ({ value: s, name: SKILLS[s] }))}
            onChange={(skill) => onChange({ skill: skill as Skill })}
          />
        )}
      </FormField>
    </>
  );
}

const WORKS = { shop: 'when the shop is open', own: 'at their own hours' } as const;

/** When they work. */
function TheirHours({
  value,
  wrong,
  onChange,
}: {
  readonly value: Texts;
  readonly wrong: ReturnType<typeof readWeek>['wrong'];
  readonly onChange: (some: Partial<Texts>) => void;
}) {
  const untouched = Object.values(value.week).every((text) => text === '');
  return (
    <div className="space-y-3">
      <PillChoice
        legend="They work"
        value={value.own}
        options={WORKS}
        onChange={(own) =>
          onChange({ own, ...(own === 'own' && untouched && { week: weekTexts(shopOpening().hours) }) })
        }
      />
      {value.own === 'own' && (
        <WeekFields
          texts={value.week}
          wrong={wrong}
          may
          onChange={(day, text) => onChange({ week: { ...value.week, [day]: text } })}
        />
      )}
    </div>
  );
}

/** What is typed of somebody as the command says it. */
const saidOf = ({ own, week, ...facts }: Texts) => ({
  ...facts,
  hours: own === 'shop' ? null : (readWeek(week).hours ?? NO_HOURS),
  initials: facts.initials.trim() === '' ? initialsOf(facts.name) : facts.initials,
});

/** Somebody of the shop, as they are added or changed. */
export function PersonForm({
  person,
  onDone,
}: {
  /** null for somebody new */
  readonly person: LoadedPerson | null;
  readonly onDone: () => void;
}) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit(textsOf(person), person?.version ?? 0, `house:person:${person?.id ?? 'new'}`);
  const [pin, setPin] = useState('');
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const wantsPin = person === null && pinProblem(pin) !== null;
  const { wrong } = readWeek(edit.value.week);
  const badHours = edit.value.own === 'own' && Object.keys(wrong).length > 0;
  const keep = async () => {
    const kept = await edit.save((value, version) =>
      give('people.save', {
        id: person?.id ?? null,
        version,
        ...saidOf(value),
        pin: person === null ? pin : null,
      }),
    );
    if (kept) onDone();
  };
  return (
    <form
      aria-label={person ? person.name : 'Somebody new'}
      className="space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <h2 className="text-xl">{person ? person.name : 'Somebody new'}</h2>
      <PersonFields value={edit.value} fields={fields} onChange={edit.set} />
      <TheirHours value={edit.value} wrong={wrong} onChange={edit.set} />
      {person === null && (
        <PinField label="Their first PIN" fresh value={pin} error={fields['pin']} onChange={setPin} />
      )}
      <ConflictChoice edit={edit} />
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
      <div className="flex gap-3">
        <button
          type="submit"
          className="button button-main"
          disabled={
            busy || edit.value.name.trim() === '' || wantsPin || badHours || edit.conflicts.length > 0
          }
        >
          {person ? 'Keep' : 'Add to the shop'}
        </button>
        <button type="button" className="button" onClick={() => [edit.reset(), onDone()]}>
          Not now
        </button>
      </div>
    </form>
  );
}
