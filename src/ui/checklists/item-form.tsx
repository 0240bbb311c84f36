'use client';

import type { ChecklistItem } from '../../core/inspection/checklist.ts';
import { OPERATION_IDS, type OperationId } from '../../core/catalogue/operation-ids.ts';
import { operation } from '../../core/catalogue/operations.ts';
import { QUANTITIES, QUANTITY_FACTS, type Quantity } from '../../core/readings/quantities.ts';
import { FormField } from '../kit/form-field.tsx';
import { OneOf } from '../kit/one-of.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { ConditionBuilder } from './condition-builder.tsx';
import { PHASES } from './words.ts';

type Text = 'title' | 'group' | 'help' | 'fine' | 'caution';

const TEXTS: ReadonlyArray<readonly [field: Text, label: string, max: number, rows: number]> = [
  ['title', 'What it asks', 120, 1],
  ['help', 'How to look', 400, 2],
  ['fine', 'What counts as fine', 200, 1],
  ['caution', 'Caution: short; product sheets and local rules have the last word', 300, 1],
];

/** A text of an item, in a line or in several. */
function Words({
  label,
  error,
  rows,
  max,
  value,
  onChange,
}: {
  readonly label: string;
  readonly error: string | undefined;
  readonly rows: number;
  readonly max: number;
  readonly value: string;
  readonly onChange: (value: string) => void;
}) {
  return (
    <FormField label={label} error={error}>
      {(w) => {
        const field = {
          ...w,
          className: 'field',
          maxLength: max,
          value,
          onChange: (e: { readonly target: { readonly value: string } }) => onChange(e.target.value),
        };
        return rows === 1 ? <input {...field} /> : <textarea {...field} rows={rows} />;
      }}
    </FormField>
  );
}

/** Which group an item stands in: one there is, or another. */
function Group({
  group,
  groups,
  error,
  onChange,
}: {
  readonly group: string;
  readonly groups: readonly string[];
  readonly error: string | undefined;
  readonly onChange: (value: string) => void;
}) {
  return (
    <FormField label="Group" error={error}>
      {(w) => (
        <>
          <input
            {...w}
            className="field"
            list="checklist-groups"
            maxLength={80}
            value={group}
            onChange={(e) => onChange(e.target.value)}
          />
          <datalist id="checklist-groups">
            {groups.map((g) => (
              <option key={g} value={g} />
            ))}
          </datalist>
        </>
      )}
    </FormField>
  );
}

/** An item with another text; one that may be missing goes when it is empty. */
function withText(item: ChecklistItem, field: Text, value: string): ChecklistItem {
  const { [field]: _old, ...rest } = item;
  const optional = field === 'fine' || field === 'caution';
  return (optional && value === '' ? rest : { ...item, [field]: value }) as ChecklistItem;
}

/** An item that takes another reading, or leads to other work; or to none. */
function withChoice(item: ChecklistItem, field: 'reading' | 'leadsTo', value: string): ChecklistItem {
  const { [field]: _old, ...rest } = item;
  return (value === '' ? rest : { ...rest, [field]: value as Quantity & OperationId }) as ChecklistItem;
}

/** One item of a list, every part of it. */
export function ItemForm({
  item,
  groups,
  wrong,
  onChange,
}: {
  readonly item: ChecklistItem;
  readonly groups: readonly string[];
  readonly wrong: Readonly<Record<string, string>>;
  readonly onChange: (item: ChecklistItem) => void;
}) {
  const text = (field: Text, value: string) => onChange(withText(item, field, value));
  const choose = (field: 'reading' | 'leadsTo', value: string) => onChange(withChoice(item, field, value));
  return (
    <div className="space-y-3">
      {TEXTS.map(([field, label, max, rows]) => (
        <Words
          key={field}
          label={label}
          error={wrong[field === 'title' ? 'text' : field]}
          rows={rows}
          max={max}
          value={item[field] ?? ''}
          onChange={(value) => text(field, value)}
        />
      ))}
      <div className="grid grid-cols-2 gap-3">
        <Group
          group={item.group}
          groups={groups}
          error={wrong['group']}
          onChange={(value) => text('group', value)}
        />
        <PillChoice
          legend="Phase"
          value={item.phase}
          options={PHASES}
          onChange={(phase) => onChange({ ...item, phase })}
        />
        <OneOf
          label="Reading it takes"
          value={item.reading ?? ''}
          none="none"
          others={QUANTITIES.map((q) => ({ value: q, name: QUANTITY_FACTS[q].name }))}
          onChange={(v) => choose('reading', v)}
        />
        <OneOf
          label="“Needs work” usually leads to"
          value={item.leadsTo ?? ''}
          none="nothing in particular"
          others={OPERATION_IDS.map((o) => ({ value: o, name: operation(o).name }))}
          onChange={(v) => choose('leadsTo', v)}
        />
      </div>
      <ConditionBuilder value={item.when} onChange={(when) => onChange({ ...item, when })} />
    </div>
  );
}
