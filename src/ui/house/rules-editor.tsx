'use client';

import { readAmount, sayAmount, signOf } from '../../core/money/currency.ts';
import type { HandOverRules } from '../../core/hand-over/rules.ts';
import { TextField } from '../kit/text-field.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';

const SECOND: Readonly<Record<HandOverRules['second'], string>> = {
  never: 'never',
  worth: 'from a worth on',
  always: 'always',
};
const WHOLE = /^\d{1,7}$/;

interface Kept {
  readonly rules: HandOverRules;
  readonly version: number;
  readonly currency: string;
}

/** The rules as they are typed, what is wrong with them, and how they are kept. */
function useRules({ rules, version, currency }: Kept) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit(
    {
      second: rules.second,
      secondFrom: sayAmount(rules.secondFrom, currency),
      tweakDays: String(rules.tweakDays),
      checkWeeks: String(rules.checkWeeks),
      linkDays: String(rules.linkDays),
      reminders: String(rules.reminders),
    },
    version,
    'house:rules',
  );
  const { second: _, ...text } = edit.value;
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const from = readAmount(text.secondFrom, currency);
  const amount = from.ok ? (from.value ?? 0) : 0;
  const wrong = (key: keyof typeof text): string | undefined =>
    key === 'secondFrom'
      ? from.ok
        ? undefined
        : from.error
      : WHOLE.test(text[key].trim())
        ? undefined
        : 'A whole number';
  const fine = (Object.keys(text) as (keyof typeof text)[]).every((k) => wrong(k) === undefined);
  const keep = () => {
    if (!fine) return;
    void edit.save((value, began) =>
      give('house.save-rules', {
        version: began,
        rules: {
          second: value.second,
          secondFrom: amount,
          tweakDays: Number(value.tweakDays),
          checkWeeks: Number(value.checkWeeks),
          linkDays: Number(value.linkDays),
          reminders: Number(value.reminders),
        },
      }),
    );
  };
  return { edit, wrong, fine, keep, fields, busy, trouble };
}

/** How the shop hands over, as it is changed. */
export function RulesEditor({ rules, version, currency, may }: Kept & { readonly may: boolean }) {
  const { edit, wrong, fine, keep, fields, busy, trouble } = useRules({ rules, version, currency });
  const { second, ...text } = edit.value;
  const number = (key: keyof typeof text, label: string) => (
    <TextField
      label={label}
      error={wrong(key) ?? fields[`rules.${key}`]}
      className="w-72"
      inputMode="numeric"
      readOnly={!may}
      value={text[key]}
      onChange={(text) => edit.set({ [key]: text })}
    />
  );
  return (
    <form
      aria-label="How we hand over"
      className="space-y-4 px-5 py-4"
      onSubmit={(e) => {
        e.preventDefault();
        keep();
      }}
    >
      <PillChoice
        legend="A second person signs the bench check"
        value={second}
        options={SECOND}
        onChange={(value) => edit.set({ second: value })}
        disabled={!may}
      />
      {second === 'worth' && number('secondFrom', `From a worth of, ${signOf(currency)}`)}
      {number('tweakDays', 'Days in which a tweak costs nothing')}
      {number('checkWeeks', 'Weeks until the next check (2 to 4)')}
      {number('reminders', 'Times somebody is told it is ready before it counts as never collected')}
      {number('linkDays', 'Days a customer’s link opens')}
      <ConflictChoice edit={edit} />
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
      {may && (
        <button
          type="submit"
          className="button button-main"
          disabled={busy || !fine || edit.conflicts.length > 0}
        >
          Keep the rules
        </button>
      )}
    </form>
  );
}
