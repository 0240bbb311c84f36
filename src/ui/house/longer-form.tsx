'use client';

import { useState } from 'react';
import { minuteOf } from '../../core/days/opening.ts';
import { useSend } from '../data/use-send.ts';
import { todayIso } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

const FIELDS = [
  { key: 'day', label: 'Day', type: 'date', className: 'w-40' },
  { key: 'from', label: 'From', type: 'time', className: 'w-32' },
  { key: 'to', label: 'To', type: 'time', className: 'w-32' },
] as const;

/** Says that somebody works on a day at hours that are not their own. */
export function LongerForm({
  people,
}: {
  readonly people: readonly { readonly id: number; readonly name: string }[];
}) {
  const { give, busy, trouble } = useSend();
  const [asked, setAsked] = useState({
    who: String(people[0]?.id ?? ''),
    day: todayIso(),
    from: '18:00',
    to: '20:00',
  });
  const set = (key: keyof typeof asked) => (text: string) => setAsked({ ...asked, [key]: text });
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const send = () =>
    give('week.longer', {
      personId: Number(asked.who),
      day: asked.day,
      // Nothing said is refused by the house, at its field.
      from: minuteOf(asked.from) ?? -1,
      to: minuteOf(asked.to) ?? -1,
    });
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
      {FIELDS.map(({ key, ...field }) => (
        <TextField key={key} {...field} error={fields[key]} value={asked[key]} onChange={set(key)} />
      ))}
      <button type="submit" className="button" disabled={busy}>
        Works then
      </button>
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
    </form>
  );
}
