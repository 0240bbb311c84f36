'use client';

import type { Operation } from '../../core/catalogue/operation.ts';
import { WORN_PARTS, type OperationTraits, type WornPart } from '../../core/catalogue/operation-record.ts';
import { FINDINGS } from '../../core/inspection/findings.ts';
import { titleOfItem } from '../../core/inspection/lists/title-of-item.ts';
import { ConditionBuilder } from '../checklists/condition-builder.tsx';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { PickList } from '../kit/pick-list.tsx';

const ASKING = [...FINDINGS].flatMap(([item, all]) =>
  all.map((f) => ({ value: `${item}:${f.id}`, name: `${titleOfItem(item)}: ${f.name.toLowerCase()}` })),
);

const SENTENCES = {
  customer: 'What the customer reads of it; empty where it is nothing to them',
  done: 'What they read of it once it is done; empty where that is the same',
  changes: 'What is no longer original after it, as the customer reads it',
  actWhen: 'When to act, where it is left as it is',
} as const;

const FLAGS = {
  strung: 'It is done with the strings on',
  wantsStraight: 'It waits until the neck is straight',
  heavy: 'Never offered to gain a little, where less leaves nothing out',
  risky: 'It may show what nobody can see before',
  plain: 'It is part of a plain setup',
} as const;

const NOTHING = 'nothing';

/** What is true of it or not. */
function TraitFlags({
  operation: o,
  may,
  onSet,
}: {
  readonly operation: Operation;
  readonly may: boolean;
  readonly onSet: (some: Partial<OperationTraits>) => void;
}) {
  return (Object.keys(FLAGS) as (keyof typeof FLAGS)[]).map((key) => (
    <label key={key} className="flex min-h-11 items-center gap-2">
      <input
        type="checkbox"
        disabled={!may}
        checked={o[key]}
        onChange={(e) => onSet({ [key]: e.target.checked })}
      />
      {FLAGS[key]}
    </label>
  ));
}

/** Which findings ask for it, and how it stands to other operations. */
function TraitPicks({
  operation: o,
  list,
  may,
  onSet: set,
}: {
  readonly operation: Operation;
  readonly list: readonly Operation[];
  readonly may: boolean;
  readonly onSet: (some: Partial<OperationTraits>) => void;
}) {
  const others = list.filter((x) => x.id !== o.id).map((x) => ({ value: x.id, name: x.name }));
  return (
    <>
      <PickList
        title="Findings that ask for it"
        gone="Does not ask for it any more"
        picked={o.askedBy}
        items={ASKING}
        may={may}
        onChange={(askedBy) => set({ askedBy })}
      />
      <PickList
        title="Stands in, where the part is past it, for"
        gone="Does not stand in for it any more"
        picked={o.replaces}
        items={others}
        may={may}
        onChange={(replaces) => set({ replaces })}
      />
      <PickList
        title="Part of it, and not done beside it"
        gone="Is done beside it again"
        picked={o.includes}
        items={others}
        may={may}
        onChange={(includes) => set({ includes })}
      />
    </>
  );
}

/** What an operation is known for: how the customer reads it, what it takes from, which findings ask for it. */
export function OperationTraitsFields({
  operation: o,
  list,
  may,
  onChange,
}: {
  readonly operation: Operation;
  readonly list: readonly Operation[];
  readonly may: boolean;
  readonly onChange: (to: Operation) => void;
}) {
  const set = (some: Partial<OperationTraits>) => onChange({ ...o, ...some } as Operation);
  return (
    <>
      <fieldset className="space-y-2">
        <legend className="font-semibold">What an instrument has to have for it</legend>
        <ConditionBuilder value={o.fits} says="Offered" may={may} onChange={(fits) => set({ fits })} />
      </fieldset>
      {(Object.keys(SENTENCES) as (keyof typeof SENTENCES)[]).map((key) => (
        <TextField
          key={key}
          label={SENTENCES[key]}
          maxLength={200}
          readOnly={!may}
          value={o[key]}
          onChange={(text) => set({ [key]: text })}
        />
      ))}
      <FormField label="It takes away for good from">
        {(w) => (
          <ListChoice
            {...w}
            value={o.takesFrom ?? NOTHING}
            items={[NOTHING, ...WORN_PARTS].map((p) => ({ value: p, name: p }))}
            onChange={(v) => may && set({ takesFrom: v === NOTHING ? null : (v as WornPart) })}
          />
        )}
      </FormField>
      <TraitPicks operation={o} list={list} may={may} onSet={set} />
      <TraitFlags operation={o} may={may} onSet={set} />
    </>
  );
}
