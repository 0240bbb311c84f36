'use client';

import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import type { Kind } from '../../core/instrument/kinds.ts';
import { FAULT_GROUPS, type FaultGroup } from '../../core/practice/faults/fault.ts';
import { LEVELS } from '../../core/practice/levels.ts';
import type { LoadedPractice } from '../../server/practice/load-practice.ts';
import { useSend } from '../data/use-send.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

const LEVEL_NAMES = { '1': '1, plain', '2': '2, harder', '3': '3, several' } as const;
type LevelKey = keyof typeof LEVEL_NAMES;

const ANY = 'any';
const ABOUT = [
  { value: ANY, name: 'anything' },
  ...(Object.entries(FAULT_GROUPS) as [FaultGroup, string][]).map(([value, name]) => ({
    value: value as string,
    name,
  })),
];
const ME = '0';

interface Wanted {
  readonly kind: string;
  readonly level: LevelKey;
  readonly about: string;
  readonly code: string;
  /** ME, or a colleague's number */
  readonly person: string;
}

const FIRST: Wanted = { kind: 'steel-acoustic', level: '1', about: ANY, code: '', person: ME };

/** Brings one to one's own bench, or sets it for a colleague; whose bench it was set on. */
function useBringing(practice: LoadedPractice) {
  const router = useRouter();
  const { give, busy, trouble } = useSend();
  const [set, setSet] = useState('');
  const bring = async ({ kind, level, about, code, person }: Wanted): Promise<void> => {
    setSet('');
    const wanted = {
      kind: kind as Kind,
      level: Number(level) as 1 | 2 | 3,
      about: about === ANY ? null : (about as FaultGroup),
      code: code.trim(),
    };
    if (person === ME) {
      const got = await give('practice.begin', wanted);
      if (got) router.push(`/practice/${got.sessionId}`);
      return;
    }
    const got = await give('practice.set', { ...wanted, personId: Number(person) });
    if (got) setSet(practice.people.find((p) => String(p.id) === person)?.name ?? '');
  };
  return { bring, busy, trouble, set };
}

interface WantedProps {
  readonly practice: LoadedPractice;
  readonly mayset: boolean;
  readonly wanted: Wanted;
  readonly fields: Readonly<Record<string, string>>;
  readonly onChange: (wanted: Wanted) => void;
}

function WantedFields({ practice, mayset, wanted, fields, onChange }: WantedProps) {
  const put = (key: keyof Wanted) => (value: string) => onChange({ ...wanted, [key]: value });
  const people = [
    { value: ME, name: 'me' },
    ...practice.people.map((p) => ({ value: String(p.id), name: p.name })),
  ];
  return (
    <div className="flex flex-wrap items-start gap-4">
      <FormField label="Kind" className="w-56" error={fields['kind']}>
        {(w) => <ListChoice {...w} value={wanted.kind} items={practice.kinds} onChange={put('kind')} />}
      </FormField>
      <PillChoice legend="Level" value={wanted.level} options={LEVEL_NAMES} onChange={put('level')} />
      <FormField label="Something is wrong with" className="w-44">
        {(w) => <ListChoice {...w} value={wanted.about} items={ABOUT} onChange={put('about')} />}
      </FormField>
      <TextField
        label="Or a colleague’s code"
        className="w-40"
        value={wanted.code}
        onChange={put('code')}
        error={fields['code']}
        maxLength={60}
      />
      {mayset && (
        <FormField label="For" className="w-36" error={fields['personId']}>
          {(w) => <ListChoice {...w} value={wanted.person} items={people} onChange={put('person')} />}
        </FormField>
      )}
    </div>
  );
}

/** Takes a new one to the bench, the one of a code, or sets it for a colleague. */
export function NewOne({
  practice,
  mayset,
}: {
  readonly practice: LoadedPractice;
  readonly mayset: boolean;
}) {
  const { bring, busy, trouble, set } = useBringing(practice);
  const [wanted, setWanted] = useState(FIRST);
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    void bring(wanted);
  };
  return (
    <form onSubmit={submit} className="space-y-3" aria-label="A new one">
      <WantedFields
        practice={practice}
        mayset={mayset}
        wanted={wanted}
        fields={trouble?.code === 'invalid' ? trouble.fields : {}}
        onChange={setWanted}
      />
      <p className="text-sm text-quiet">
        Level {wanted.level}: {LEVELS[Number(wanted.level) as 1 | 2 | 3]}. At any level it may be sound, too.
      </p>
      <button type="submit" className="button button-main" disabled={busy}>
        {wanted.person === ME ? 'Bring it to my bench' : 'Set it for them'}
      </button>
      <p role="status">{set !== '' && `It stands on ${set}’s practice bench.`}</p>
      {trouble?.code !== 'invalid' && <Trouble trouble={trouble} />}
    </form>
  );
}
