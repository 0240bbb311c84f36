'use client';

import type { PlanRules } from '../../core/plan/plan-rules.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useDisplayUnit } from '../data/display-unit.ts';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { labelOf, PLANNING_GROUPS, planningTexts, readPlanning } from './planning-fields.ts';

/** The numbers of one group, side by side. */
function Group({
  group,
  texts,
  currency,
  may,
  errorAt,
  onType,
}: {
  readonly group: (typeof PLANNING_GROUPS)[number];
  readonly texts: Readonly<Record<string, string>>;
  readonly currency: string;
  readonly may: boolean;
  readonly errorAt: (path: string) => string | undefined;
  readonly onType: (path: string, text: string) => void;
}) {
  return (
    <fieldset>
      <legend className="font-serif text-xl font-semibold">{group.title}</legend>
      <p className="mb-1 text-sm text-quiet">{group.says}</p>
      <div className="grid grid-cols-4 items-end gap-x-4 gap-y-2 max-lg:grid-cols-2 max-sm:grid-cols-1">
        {group.fields.map((field) => (
          <TextField
            key={field.path}
            label={labelOf(field, currency)}
            error={errorAt(field.path)}
            inputMode={field.scale === 'size' ? 'text' : 'decimal'}
            readOnly={!may}
            value={texts[field.path] ?? ''}
            onChange={(text) => onType(field.path, text)}
          />
        ))}
      </div>
    </fieldset>
  );
}

/** How the shop plans, as it is changed: every number by what it decides. */
export function PlanningEditor({
  rules,
  version,
  currency,
  may,
}: {
  readonly rules: PlanRules;
  readonly version: number;
  readonly currency: string;
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const [unit] = useDisplayUnit();
  const reader = { currency, unit };
  const edit = useEdit(planningTexts(rules, reader), version, `house:planning:${unit}`);
  const { wrong } = readPlanning(edit.value, rules, reader);
  const refused = trouble?.code === 'invalid' ? trouble.fields : {};
  const fine = Object.keys(wrong).length === 0;
  return (
    <form
      aria-label="How we plan"
      className="max-w-5xl space-y-5 px-5 py-4"
      onSubmit={(e) => {
        e.preventDefault();
        if (!fine) return;
        void edit.save((value, began) =>
          give('house.save-planning', { version: began, rules: readPlanning(value, rules, reader).rules }),
        );
      }}
    >
      {!may && <p className="text-quiet">A lead or the owner changes these.</p>}
      {PLANNING_GROUPS.map((group) => (
        <Group
          key={group.title}
          group={group}
          texts={edit.value}
          currency={currency}
          may={may}
          errorAt={(path) => wrong[path] ?? refused[`rules.${path}`]}
          onType={(path, text) => edit.set({ [path]: text })}
        />
      ))}
      <ConflictChoice edit={edit} />
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
      {may && (
        <button
          type="submit"
          className="button button-main"
          disabled={busy || !fine || edit.conflicts.length > 0}
        >
          Keep how we plan
        </button>
      )}
    </form>
  );
}
