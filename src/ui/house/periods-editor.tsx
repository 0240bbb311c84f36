'use client';

import { useState } from 'react';
import type { Periods } from '../../core/privacy/periods.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

const ASKED: Readonly<Record<keyof Periods, { readonly label: string; readonly says: string }>> = {
  customersYears: {
    label: 'Customers, years after their last visit',
    says: 'Then they are forgotten: names and contacts go everywhere, what was signed keeps its digest.',
  },
  photosYears: {
    label: 'Photos, years after the job ended',
    says: 'The pictures go; that there were some, and their digests, stay.',
  },
  soundsYears: {
    label: 'Plucks kept with readings, years after the job ended',
    says: 'The sounds go; the readings they were kept with stay.',
  },
  invoicesYears: {
    label: 'Names on invoices of the forgotten, years',
    says: 'Local law may want invoices whole for some years: an accountant knows how many. Numbers and sums stay.',
  },
  messagesMonths: {
    label: 'Where messages went, months',
    says: 'Address and subject go; that it was written stays. What was delivered is blanked at once.',
  },
};
const KEYS = Object.keys(ASKED) as (keyof Periods)[];
type Typed = Readonly<Record<keyof Periods, string>>;

const asTyped = (p: Periods): Typed =>
  Object.fromEntries(KEYS.map((k) => [k, p[k] === null ? '' : String(p[k])])) as Typed;
/** A whole number; null where it is empty: for good. */
const asNumber = (text: string): number | null => (text.trim() === '' ? null : Number(text));

/** What keeping is typed as, tried and sent. */
function useKeeping(periods: Periods, version: number) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit<Typed>(asTyped(periods), version, 'house:periods');
  const [wrong, setWrong] = useState<Partial<Typed>>({});
  const [said, setSaid] = useState('');
  const keep = async () => {
    setSaid('');
    const bad = KEYS.filter((k) => !/^\s*[1-9]?\d{0,3}\s*$/.test(edit.value[k]));
    setWrong(Object.fromEntries(bad.map((k) => [k, 'A whole number, or empty: for good'])));
    if (bad.length > 0) return;
    const kept = await edit.save((value, began) =>
      give('house.save-periods', {
        version: began,
        periods: Object.fromEntries(KEYS.map((k) => [k, asNumber(value[k])])) as unknown as Periods,
      }),
    );
    if (kept) setSaid('Kept. What is over its period goes within a few hours.');
  };
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const error = (k: keyof Periods): string | undefined => wrong[k] ?? fields[`periods.${k}`];
  return { edit, keep, error, said, busy, trouble: trouble?.code === 'invalid' ? null : trouble };
}

/** How long the shop keeps what. Empty keeps it for good. */
export function PeriodsEditor({
  periods,
  version,
  may,
}: {
  readonly periods: Periods;
  readonly version: number;
  readonly may: boolean;
}) {
  const { edit, keep, error, said, busy, trouble } = useKeeping(periods, version);
  return (
    <form
      aria-label="How long"
      className="space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <h2 className="text-xl">How long</h2>
      <p className="text-sm text-quiet">
        Empty keeps it for good. Local law comes first: ask what you must keep, and for how long.
      </p>
      {KEYS.map((k) => (
        <div key={k}>
          <TextField
            label={ASKED[k].label}
            className="w-80"
            error={error(k)}
            inputMode="numeric"
            placeholder="for good"
            readOnly={!may}
            value={edit.value[k]}
            onChange={(text) => edit.set({ [k]: text })}
          />
          <p className="text-sm text-quiet">{ASKED[k].says}</p>
        </div>
      ))}
      <ConflictChoice edit={edit} names={Object.fromEntries(KEYS.map((k) => [k, ASKED[k].label]))} />
      <Trouble trouble={trouble} />
      {may ? (
        <button type="submit" className="button button-main" disabled={busy}>
          Keep it so
        </button>
      ) : (
        <p className="text-quiet">A lead or the owner changes this.</p>
      )}
      <p role="status">{said}</p>
    </form>
  );
}
