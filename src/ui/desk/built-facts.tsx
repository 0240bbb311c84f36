'use client';

import { isAssumed } from '../../core/instrument/assumable.ts';
import { saidOf } from '../../core/instrument/assumed.ts';
import { MATTERS, type Matters } from '../../core/instrument/matters.ts';
import type { Construction } from '../../core/instrument/construction.ts';
import { FACTS } from '../../core/instrument/construction-facts.ts';
import { FACT_NAMES, seenWith } from '../instrument/instrument-facts.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';

interface Props {
  readonly construction: Construction;
  readonly onConstruction: (c: Construction) => void;
}

/** What decides how it is worked on: what nobody chose stands as is usual for the kind, and is not in ink. */
export function BuiltFacts({ construction, onConstruction }: Props) {
  return (
    <details>
      <summary className="flex min-h-11 cursor-pointer items-center underline">
        Construction: what decides how it is worked on
      </summary>
      <div className="grid grid-cols-2 gap-3 pt-2">
        {(Object.keys(FACTS) as (keyof typeof FACTS)[]).map((fact) => (
          <FormField
            key={fact}
            label={
              isAssumed(construction, seenWith(fact)) ? `${FACT_NAMES[fact]}, usually` : FACT_NAMES[fact]
            }
          >
            {(w) => (
              <ListChoice
                {...w}
                value={construction[fact]}
                items={Object.entries(FACTS[fact]).map(([value, name]) => ({ value, name }))}
                quiet={isAssumed(construction, seenWith(fact))}
                onChange={(value) =>
                  onConstruction(saidOf({ ...construction, [fact]: value }, [seenWith(fact)]))
                }
              />
            )}
          </FormField>
        ))}
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="h-5 w-5"
            checked={construction.leftHanded}
            onChange={(e) => onConstruction({ ...construction, leftHanded: e.target.checked })}
          />
          Left-handed
        </label>
      </div>
    </details>
  );
}

type MattersSaid = Matters | 'not-said';

/** For what it matters to whom it belongs: that decides what may be done to it, and what it may cost. */
export function MattersFor({
  value,
  onChange,
}: {
  readonly value: MattersSaid;
  readonly onChange: (matters: MattersSaid) => void;
}) {
  return (
    <FormField label="Matters to them for" className="max-w-60">
      {(w) => (
        <ListChoice
          {...w}
          value={value}
          items={[
            { value: 'not-said', name: 'not said' },
            ...Object.entries(MATTERS).map(([value, name]) => ({ value, name })),
          ]}
          onChange={(matters) => onChange(matters as MattersSaid)}
        />
      )}
    </FormField>
  );
}
