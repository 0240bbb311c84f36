'use client';

import type { Sheet } from '../../contracts/formats/spreadsheet.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';

const NONE = '';

/** Which column of a list holds what; each is shown with its first entry. */
export function MatchColumns<F extends string>({
  fields,
  sheet,
  columns,
  onChange,
}: {
  /** what a column may hold, by what it is called */
  readonly fields: Readonly<Record<F, string>>;
  readonly sheet: Sheet;
  readonly columns: Readonly<Partial<Record<F, number>>>;
  readonly onChange: (to: Readonly<Partial<Record<F, number>>>) => void;
}) {
  const { head, rows } = sheet;
  const sample = rows[0]?.cells ?? [];
  const items = [
    { value: NONE, name: 'not in the list' },
    ...head.map((h, i) => ({ value: String(i), name: `${h || `column ${i + 1}`}: ${sample[i] ?? ''}` })),
  ];
  return (
    <div className="grid gap-3 sm:grid-cols-3">
      {(Object.keys(fields) as F[]).map((field) => (
        <FormField key={field} label={fields[field]}>
          {(w) => (
            <ListChoice
              {...w}
              value={columns[field] === undefined ? NONE : String(columns[field])}
              items={items}
              onChange={(to) => {
                const others = Object.entries(columns).filter(([f]) => f !== field);
                const found = to === NONE ? others : [...others, [field, Number(to)]];
                onChange(Object.fromEntries(found) as Readonly<Partial<Record<F, number>>>);
              }}
            />
          )}
        </FormField>
      ))}
    </div>
  );
}
