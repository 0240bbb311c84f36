'use client';

import type { OperationId } from '../../core/catalogue/operation-ids.ts';
import type { Operation } from '../../core/catalogue/operation.ts';
import type { OwnOption } from '../../core/plan/options.ts';
import { PickList } from '../kit/pick-list.tsx';
import { TextField } from '../kit/text-field.tsx';

const MOST = 3;
const NEW: OwnOption = { name: '', operations: [], says: '', left: '' };

function OneOption({
  at,
  option,
  catalogue,
  error,
  onChange,
  onLeave,
}: {
  readonly at: number;
  readonly option: OwnOption;
  readonly catalogue: readonly Operation[];
  readonly error: string | undefined;
  readonly onChange: (change: Partial<OwnOption>) => void;
  readonly onLeave: () => void;
}) {
  return (
    <fieldset className="grid gap-3 border border-line p-4 md:grid-cols-2">
      <legend className="font-serif text-lg">Option of our own {at + 1}</legend>
      <div className="space-y-3">
        <TextField
          label="What it is called"
          error={error}
          maxLength={80}
          value={option.name}
          onChange={(name) => onChange({ name })}
        />
        <PickList
          title="What is done"
          gone="Not done after all"
          picked={option.operations}
          items={catalogue.map((o) => ({ value: o.id, name: o.name }))}
          may
          onChange={(to) => onChange({ operations: to as OperationId[] })}
        />
      </div>
      <div className="space-y-3">
        <TextField
          label="What else it is, in the customer’s words (a line each)"
          rows={2}
          maxLength={600}
          value={option.says}
          onChange={(says) => onChange({ says })}
        />
        <TextField
          label="What it leaves (a line each)"
          rows={2}
          maxLength={600}
          value={option.left}
          onChange={(left) => onChange({ left })}
        />
        <button type="button" className="button" onClick={onLeave}>
          Leave this one out
        </button>
      </div>
    </fieldset>
  );
}

/** Options written by hand, beside those computed: each of chosen operations, also where nothing was read. */
export function OwnOptions({
  catalogue,
  own,
  errors,
  onChange,
}: {
  readonly catalogue: readonly Operation[];
  readonly own: readonly OwnOption[];
  readonly errors: Readonly<Record<string, string>>;
  readonly onChange: (own: readonly OwnOption[]) => void;
}) {
  const set = (at: number, change: Partial<OwnOption>) =>
    onChange(own.map((o, i) => (i === at ? { ...o, ...change } : o)));
  return (
    <section aria-label="Written by hand" className="space-y-3 print:hidden">
      {own.map((option, i) => (
        <OneOption
          key={i}
          at={i}
          option={option}
          catalogue={catalogue}
          error={errors[`own.${i}.name`]}
          onChange={(change) => set(i, change)}
          onLeave={() => onChange(own.filter((_, at) => at !== i))}
        />
      ))}
      {own.length < MOST && (
        <button type="button" className="button" onClick={() => onChange([...own, NEW])}>
          Write {own.length === 0 ? 'an option' : 'another'} by hand
        </button>
      )}
    </section>
  );
}
