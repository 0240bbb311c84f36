'use client';

import { FACTS } from '../../core/instrument/construction-facts.ts';
import { isAssumed } from '../../core/instrument/assumable.ts';
import { saidOf } from '../../core/instrument/assumed.ts';
import { FACT_NAMES, seenWith } from './instrument-facts.ts';
import { ScaleSaid } from './scale-said.tsx';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Tick } from '../kit/tick.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import type { ConstructionDraft, DraftErrors } from './construction-draft.ts';

type Typed = Exclude<keyof ConstructionDraft, 'facts' | 'from' | 'strings'>;

const NUMBERS: ReadonlyArray<readonly [field: Typed, label: string]> = [
  ['scale', 'Scale'],
  ['compensation', 'Compensation'],
  ['frets', 'Frets'],
  ['bodyFret', 'Body at fret'],
  ['radius', 'Fingerboard radius'],
  ['rodKey', 'Key of the rod'],
  ['springs', 'Vibrato springs'],
];

type Facts = ConstructionDraft['facts'];

/** The facts that are one of several. */
function Choices({
  facts,
  onChange,
}: {
  readonly facts: Facts;
  readonly onChange: (part: Partial<Facts>) => void;
}) {
  return (
    <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-1">
      {(Object.keys(FACTS) as (keyof typeof FACTS)[]).map((fact) => (
        <FormField
          key={fact}
          label={isAssumed(facts, seenWith(fact)) ? `${FACT_NAMES[fact]}, usually` : FACT_NAMES[fact]}
        >
          {(w) => (
            <ListChoice
              {...w}
              value={facts[fact]}
              items={Object.entries(FACTS[fact]).map(([value, name]) => ({ value, name }))}
              quiet={isAssumed(facts, seenWith(fact))}
              onChange={(value) => onChange(saidOf({ ...facts, [fact]: value }, [seenWith(fact)]))}
            />
          )}
        </FormField>
      ))}
    </div>
  );
}

/** Every fact of a construction, as text and choices. */
export function ConstructionFields({
  draft,
  errors,
  onChange,
}: {
  readonly draft: ConstructionDraft;
  readonly errors: DraftErrors;
  readonly onChange: (draft: ConstructionDraft) => void;
}) {
  const { facts } = draft;
  const put = (part: Partial<Facts>) => onChange({ ...draft, facts: { ...facts, ...part } });
  return (
    <div className="space-y-3">
      <div className="grid grid-cols-4 gap-3 max-sm:grid-cols-2">
        {NUMBERS.map(([field, label]) => (
          <TextField
            key={field}
            label={label}
            error={errors[field]}
            value={draft[field]}
            onChange={(text) => onChange({ ...draft, [field]: text })}
          />
        ))}
      </div>
      <ScaleSaid text={draft.scale} />
      <TextField
        label="Strings, lowest first: note and gauge, w for wound"
        error={errors.strings}
        value={draft.strings}
        onChange={(text) => onChange({ ...draft, strings: text })}
      />
      <Choices facts={facts} onChange={put} />
      <div className="flex gap-6">
        <Tick label="Left-handed" value={facts.leftHanded} onChange={(leftHanded) => put({ leftHanded })} />
        <Tick
          label="Strings in pairs"
          value={facts.perCourse === 2}
          onChange={(pairs) => put({ perCourse: pairs ? 2 : 1 })}
        />
      </div>
    </div>
  );
}
