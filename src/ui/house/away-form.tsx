'use client';

import { useState } from 'react';
import { useSend } from '../data/use-send.ts';
import { todayIso } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

/** Says that somebody is not here. */
export function AwayForm({
  people,
}: {
  readonly people: readonly { readonly id: number; readonly name: string }[];
}) {
  const { give, busy, trouble } = useSend();
  const [asked, setAsked] = useState({
    who: String(people[0]?.id ?? ''),
    from: todayIso(),
    to: todayIso(),
    why: '',
  });
  const set = (key: keyof typeof asked) => (text: string) => setAsked({ ...asked, [key]: text });
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const send = async () => {
    const { who, ...rest } = asked;
    if (await give('week.away', { personId: Number(who), ...rest })) setAsked({ ...asked, why: '' });
  };
  const day = { type: 'date', className: 'w-40' } as const;
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void send();
      }}
    >
      <FormField label="Who" className="w-56" error={fields['personId']}>
        {(w) => (
          <ListChoice
            {...w}
            value={asked.who}
            items={people.map((p) => ({ value: String(p.id), name: p.name }))}
            onChange={set('who')}
          />
        )}
      </FormField>
      <TextField label="From" {...day} error={fields['from']} value={asked.from} onChange={set('from')} />
      <TextField label="To" {...day} error={fields['to']} value={asked.to} onChange={set('to')} />
      <TextField label="Why" className="w-56" maxLength={80} value={asked.why} onChange={set('why')} />
      <button type="submit" className="button" disabled={busy}>
        Is not here
      </button>
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
    </form>
  );
}
