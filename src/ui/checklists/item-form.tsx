'use client';

import type { ChecklistItem } from '../../core/inspection/checklist.ts';
import { OPERATION_IDS, type OperationId } from '../../core/catalogue/operation-ids.ts';
import { operation } from '../../core/catalogue/operations.ts';
import { QUANTITIES, QUANTITY_FACTS, type Quantity } from '../../core/readings/quantities.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
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
  const text = (field: Text, value: string) => {
    const { [field]: _old, ...rest } = item;
    const optional = field === 'fine' || field === 'caution';
    onChange((optional && value === '' ? rest : { ...item, [field]: value }) as ChecklistItem);
  };
  const choose = (field: 'reading' | 'leadsTo', value: string) => {
    const { [field]: _old, ...rest } = item;
    onChange((value === '' ? rest : { ...rest, [field]: value as Quantity & OperationId }) as ChecklistItem);
  };
  return (
    <div className="space-y-3">
      {TEXTS.map(([field, label, max, rows]) => (
        <FormField key={field} label={label} error={wrong[field === 'title' ? 'text' : field]}>
          {(w) =>
            rows === 1 ? (
              <input
                {...w}
                className="field"
                maxLength={max}
                value={item[field] ?? ''}
                onChange={(e) => text(field, e.target.value)}
              />
            ) : (
              <textarea
                {...w}
                className="field"
                rows={rows}
                maxLength={max}
                value={item[field] ?? ''}
                onChange={(e) => text(field, e.target.value)}
              />
            )
          }
        </FormField>
      ))}
      <div className="grid grid-cols-2 gap-3">
        <FormField label="Group" error={wrong['group']}>
          {(w) => (
            <>
              <input
                {...w}
                className="field"
                list="checklist-groups"
                maxLength={80}
                value={item.group}
                onChange={(e) => text('group', e.target.value)}
              />
              <datalist id="checklist-groups">
                {groups.map((g) => (
                  <option key={g} value={g} />
                ))}
              </datalist>
            </>
          )}
        </FormField>
        <PillChoice
          legend="Phase"
          value={item.phase}
          options={PHASES}
          onChange={(phase) => onChange({ ...item, phase })}
        />
        <FormField label="Reading it takes">
          {(w) => (
            <ListChoice
              {...w}
              value={item.reading ?? ''}
              items={[
                { value: '', name: 'none' },
                ...QUANTITIES.map((q) => ({ value: q, name: QUANTITY_FACTS[q].name })),
              ]}
              onChange={(v) => choose('reading', v)}
            />
          )}
        </FormField>
        <FormField label="“Needs work” usually leads to">
          {(w) => (
            <ListChoice
              {...w}
              value={item.leadsTo ?? ''}
              items={[
                { value: '', name: 'nothing in particular' },
                ...OPERATION_IDS.map((o) => ({ value: o, name: operation(o).name })),
              ]}
              onChange={(v) => choose('leadsTo', v)}
            />
          )}
        </FormField>
      </div>
      <ConditionBuilder value={item.when} onChange={(when) => onChange({ ...item, when })} />
    </div>
  );
}
