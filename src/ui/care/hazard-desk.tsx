'use client';

import { useState } from 'react';
import {
  ACTS,
  HAZARDS,
  hazardsOf,
  MATERIALS,
  PROTECTION,
  protectionFor,
  type ActId,
  type MaterialId,
} from '../../core/catalogue/hazards.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';

const ANY = '';
const choices = (of: Readonly<Record<string, string>>) => [
  { value: ANY, name: 'any' },
  ...Object.entries(of).map(([value, name]) => ({ value, name })),
];

/** What is dangerous by material and act, and what is worn or switched on for it. */
export function HazardDesk() {
  const [material, setMaterial] = useState(ANY);
  const [act, setAct] = useState(ANY);
  const found = hazardsOf(
    material === ANY ? null : (material as MaterialId),
    act === ANY ? null : (act as ActId),
  );
  const wear = protectionFor(found.map((h) => HAZARDS[h]));
  return (
    <section aria-labelledby="beware" className="space-y-2">
      <h2 id="beware" className="text-xl">
        What to beware of
      </h2>
      <div className="grid max-w-2xl gap-3 sm:grid-cols-2">
        <FormField label="Worked on, or with">
          {(w) => <ListChoice {...w} value={material} items={choices(MATERIALS)} onChange={setMaterial} />}
        </FormField>
        <FormField label="What is done">
          {(w) => <ListChoice {...w} value={act} items={choices(ACTS)} onChange={setAct} />}
        </FormField>
      </div>
      <div role="status">
        {found.length === 0 && <p className="text-quiet">Nothing in particular is known of that.</p>}
        {wear.length > 0 && (
          <p>
            Before hands go on: <b>{wear.map((p) => PROTECTION[p]).join(', ')}</b>.
          </p>
        )}
        <ul className="list-disc pl-5">
          {found.map((h) => (
            <li key={h}>{HAZARDS[h]}</li>
          ))}
        </ul>
      </div>
      <p className="text-sm text-quiet">
        The product’s safety sheet, local rules and licensed people come first.
      </p>
    </section>
  );
}
