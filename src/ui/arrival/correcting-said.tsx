'use client';

import { DialogPanel, DialogTitle } from '@headlessui/react';
import { useState } from 'react';
import { readAmount, type MoneyForm } from '../../core/money/currency.ts';
import { TOUCHES } from '../../core/targets/target.ts';
import { MATTERS } from '../../core/instrument/matters.ts';
import { SET_PAYERS } from '../../core/job/set-payer.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { ClosedDay } from '../kit/closed-day.tsx';
import { TextField } from '../kit/text-field.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { saidInput, saidTexts, type SaidTexts } from './said-fields.ts';

/** The lines of text, in the order of the talk: field of the command, label, longest, rows. */
const LINES = [
  { key: 'complaint', at: 'said.complaint', label: 'In their words', max: 2000, rows: 2 },
  { key: 'wish', at: 'said.wish', label: 'Wish', max: 1000, rows: 1 },
  { key: 'plays', at: 'said.plays', label: 'What and where they play', max: 200, rows: 1 },
] as const;
const CUSTOMER = [
  { key: 'name', label: 'Customer', max: 120 },
  { key: 'phone', label: 'Telephone', max: 40 },
  { key: 'email', label: 'E-mail', max: 254 },
] as const;

interface PartProps {
  readonly typed: SaidTexts;
  readonly currency: MoneyForm;
  readonly fields: Readonly<Record<string, string>>;
  /** it came in needing a set */
  readonly needsSet: boolean;
  readonly onChange: (some: Partial<SaidTexts>) => void;
}

/** What they said, and how they play. */
function Words({ typed, fields, needsSet, onChange }: PartProps) {
  return (
    <>
      {LINES.map(({ key, at, label, max, rows }) => (
        <TextField
          key={key}
          label={label}
          error={fields[at]}
          rows={rows}
          maxLength={max}
          value={typed[key]}
          onChange={(text) => onChange({ [key]: text })}
        />
      ))}
      <PillChoice
        legend="Touch"
        value={typed.touch ?? 'not-said'}
        options={{ ...TOUCHES, 'not-said': 'not said' }}
        onChange={(touch) => onChange({ touch: touch === 'not-said' ? null : touch })}
      />
      <PillChoice
        legend="Matters to them for"
        value={typed.matters ?? 'not-said'}
        options={{ ...MATTERS, 'not-said': 'not said' }}
        onChange={(matters) => onChange({ matters: matters === 'not-said' ? null : matters })}
      />
      {(needsSet || typed.setPaidBy !== null) && (
        <PillChoice
          legend="The set it needs first is paid by"
          value={typed.setPaidBy ?? 'not-said'}
          options={{ ...SET_PAYERS, 'not-said': 'not agreed' }}
          onChange={(payer) => onChange({ setPaidBy: payer === 'not-said' ? null : payer })}
        />
      )}
    </>
  );
}

/** By when, why that is so, and up to what. */
function Terms({ typed, fields, currency, onChange }: PartProps) {
  const amount = readAmount(typed.limit, currency);
  const limit = amount.ok ? fields['said.limitMinor'] : amount.error;
  return (
    <div className="grid gap-3 sm:grid-cols-3">
      <TextField
        label="Needed by"
        error={fields['said.neededBy']}
        type="date"
        value={typed.neededBy}
        onChange={(text) => onChange({ neededBy: text })}
      />
      <TextField
        label="Why then"
        error={fields['said.hardReason']}
        maxLength={120}
        disabled={typed.neededBy === ''}
        value={typed.hardReason}
        onChange={(text) => onChange({ hardReason: text })}
      />
      <TextField
        label="Money limit"
        error={limit}
        inputMode="decimal"
        value={typed.limit}
        onChange={(text) => onChange({ limit: text })}
      />
      <label className="flex min-h-11 items-center gap-2 sm:col-span-3">
        <input
          type="checkbox"
          disabled={typed.neededBy === ''}
          checked={typed.neededBy !== '' && typed.hardDate}
          onChange={(e) => onChange({ hardDate: e.target.checked })}
        />
        The date cannot move
      </label>
      <div className="sm:col-span-3">
        <ClosedDay day={typed.neededBy} />
      </div>
    </div>
  );
}

/** How the customer is called and reached: their own entry, everywhere. */
function Who({ typed, fields, onChange }: PartProps) {
  return (
    <div className="grid gap-3 sm:grid-cols-3">
      {CUSTOMER.map(({ key, label, max }) => (
        <TextField
          key={key}
          label={label}
          error={fields[`customer.${key}`]}
          maxLength={max}
          value={typed[key]}
          onChange={(text) => onChange({ [key]: text })}
        />
      ))}
    </div>
  );
}

/** The form over what was written at the counter. */
export function CorrectingSaid({ job, onClose }: { readonly job: LeafJob; readonly onClose: () => void }) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit<SaidTexts>(saidTexts(job), job.version, `said:${job.id}`);
  const [why, setWhy] = useState('');
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const { currency } = job.shop;
  const { needsSet } = job;
  const part: PartProps = { typed: edit.value, fields, currency, needsSet, onChange: edit.set };
  const unread = !readAmount(edit.value.limit, currency).ok;
  const keep = async () => {
    const kept = await edit.save((typed, version) =>
      give('desk.correct', saidInput(job.id, version, typed, why, currency)),
    );
    if (kept) onClose();
  };
  return (
    <DialogPanel className="max-h-full w-full max-w-3xl space-y-3 overflow-y-auto border border-plain bg-paper p-5">
      <DialogTitle className="text-2xl">Correct what was said</DialogTitle>
      <Words {...part} />
      <Terms {...part} />
      <Who {...part} />
      <TextField
        label="Why it is corrected"
        error={fields['why']}
        maxLength={200}
        value={why}
        onChange={setWhy}
      />
      <ConflictChoice edit={edit} names={NAMES} />
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
      <div className="flex justify-end gap-3">
        <button
          type="button"
          className="button"
          onClick={() => {
            edit.reset();
            onClose();
          }}
        >
          Leave it as it was
        </button>
        <button
          type="button"
          className="button button-main"
          disabled={busy || unread || why.trim() === '' || !edit.changed || edit.conflicts.length > 0}
          onClick={() => void keep()}
        >
          Keep
        </button>
      </div>
    </DialogPanel>
  );
}

const NAMES: Readonly<Record<string, string>> = {
  ...Object.fromEntries([...LINES, ...CUSTOMER].map(({ key, label }) => [key, label])),
  touch: 'Touch',
  matters: 'Matters to them for',
  setPaidBy: 'Who pays for the set it needs first',
  neededBy: 'Needed by',
  hardReason: 'Why then',
  hardDate: 'The date cannot move',
  limit: 'Money limit',
};
