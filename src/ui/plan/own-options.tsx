'use client';

import type { OperationId } from '../../core/catalogue/operation-ids.ts';
import type { Operation } from '../../core/catalogue/operation.ts';
import type { OwnOption } from '../../core/plan/options.ts';
import { PickList } from '../house/pick-list.tsx';
import { FormField } from '../kit/form-field.tsx';

const MOST = 3;
const NEW: OwnOption = { name: '', operations: [], says: '', left: '' };

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
        <fieldset key={i} className="grid gap-3 border border-line p-4 md:grid-cols-2">
          <legend className="font-serif text-lg">Option of our own {i + 1}</legend>
          <div className="space-y-3">
            <FormField label="What it is called" error={errors[`own.${i}.name`]}>
              {(w) => (
                <input
                  {...w}
                  className="field"
                  maxLength={80}
                  value={option.name}
                  onChange={(e) => set(i, { name: e.target.value })}
                />
              )}
            </FormField>
            <PickList
              title="What is done"
              gone="Not done after all"
              picked={option.operations}
              items={catalogue.map((o) => ({ value: o.id, name: o.name }))}
              may
              onChange={(to) => set(i, { operations: to as OperationId[] })}
            />
          </div>
          <div className="space-y-3">
            <FormField label="What else it is, in the customer’s words (a line each)">
              {(w) => (
                <textarea
                  {...w}
                  rows={2}
                  className="field"
                  maxLength={600}
                  value={option.says}
                  onChange={(e) => set(i, { says: e.target.value })}
                />
              )}
            </FormField>
            <FormField label="What it leaves (a line each)">
              {(w) => (
                <textarea
                  {...w}
                  rows={2}
                  className="field"
                  maxLength={600}
                  value={option.left}
                  onChange={(e) => set(i, { left: e.target.value })}
                />
              )}
            </FormField>
            <button
              type="button"
              className="button"
              onClick={() => onChange(own.filter((_, at) => at !== i))}
            >
              Leave this one out
            </button>
          </div>
        </fieldset>
      ))}
      {own.length < MOST && (
        <button type="button" className="button" onClick={() => onChange([...own, NEW])}>
          Write {own.length === 0 ? 'an option' : 'another'} by hand
        </button>
      )}
    </section>
  );
}
