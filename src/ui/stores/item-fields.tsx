'use client';

import type { TaxRate } from '../../core/money/tax.ts';
import { SORTS, SORT_IDS, sortOf, type SortId } from '../../core/stock/sorts.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import type { TypedItem } from './typed-item.ts';

interface Props {
  readonly typed: TypedItem;
  readonly wrong: Readonly<Record<string, string>>;
  /** what it is cannot be changed once it has a ledger */
  readonly known: boolean;
  /** the shop’s rates of tax */
  readonly rates: readonly TaxRate[];
  readonly onChange: (part: Partial<TypedItem>) => void;
}

/** What is known of it by what it is: gauges of a set, sizes of a blank. */
function Facts({ typed, wrong, onChange }: Omit<Props, 'known' | 'rates'>) {
  return Object.entries(sortOf(typed.sort).facts).map(([id, { label, hint, type }]) => (
    <TextField
      key={id}
      label={label}
      error={wrong[`facts.${id}`]}
      maxLength={200}
      type={type === 'day' ? 'date' : 'text'}
      {...(hint !== undefined && { placeholder: hint })}
      value={typed.facts[id] ?? ''}
      onChange={(text) => onChange({ facts: { ...typed.facts, [id]: text } })}
    />
  ));
}

/** Its own rate of tax, where the shop has several. */
function Tax({ typed, wrong, rates, onChange }: Omit<Props, 'known'>) {
  if (rates.length < 2) return null;
  return (
    <FormField label="Its tax" error={wrong['tax']}>
      {(w) => (
        <ListChoice
          {...w}
          value={typed.tax}
          items={[
            { value: '', name: 'the usual one of parts' },
            ...rates.map((r) => ({ value: r.id, name: r.name })),
          ]}
          onChange={(tax) => onChange({ tax })}
        />
      )}
    </FormField>
  );
}

/** What is typed of an item of the stores. */
export function ItemFields({ typed, wrong, known, rates, onChange }: Props) {
  const [one, many] = SORTS[typed.sort].unit;
  const text = (field: 'name' | 'place' | 'supplier' | 'code', label: string, maxLength: number) => (
    <TextField
      label={label}
      error={wrong[field]}
      maxLength={maxLength}
      value={typed[field]}
      onChange={(to) => onChange({ [field]: to })}
    />
  );
  const number = (field: 'least' | 'usual' | 'cost' | 'price', label: string) => (
    <TextField
      label={label}
      error={wrong[field]}
      inputMode="decimal"
      value={typed[field]}
      onChange={(to) => onChange({ [field]: to })}
    />
  );
  return (
    <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
      {!known && (
        <FormField label="What it is" error={wrong['sort']}>
          {(w) => (
            <ListChoice
              {...w}
              value={typed.sort}
              items={SORT_IDS.map((id) => ({ value: id, name: SORTS[id].name }))}
              onChange={(to) => onChange({ sort: to as SortId, facts: {} })}
            />
          )}
        </FormField>
      )}
      {text('name', 'What it is called', 120)}
      <Facts typed={typed} wrong={wrong} onChange={onChange} />
      {text('place', 'Where it lies', 60)}
      {text('supplier', 'Supplier', 80)}
      {text('code', 'Code, as a scanner reads it', 60)}
      {number('least', `At least so many ${many}`)}
      {number('usual', 'Usually ordered')}
      {number('cost', `What one ${one} costs`)}
      {number('price', `What the customer pays for one ${one}`)}
      <Tax typed={typed} wrong={wrong} rates={rates} onChange={onChange} />
    </div>
  );
}
