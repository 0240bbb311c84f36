'use client';

import { METHODS, type Methods } from '../../core/readings/methods.ts';
import { QUANTITY_FACTS } from '../../core/readings/quantities.ts';
import { FormField } from '../kit/form-field.tsx';

const METHODED = Object.keys(METHODS) as (keyof Methods)[];

/** How relief, action, nut and intonation are read: one practice each. */
export function MethodChoice({
  methods,
  onChange,
  disabled = false,
}: {
  readonly methods: Methods;
  readonly onChange: (methods: Methods) => void;
  readonly disabled?: boolean;
}) {
  return (
    <div className="grid grid-cols-2 gap-3">
      {METHODED.map((quantity) => (
        <FormField key={quantity} label={`${QUANTITY_FACTS[quantity].name}: how it is read`}>
          {(w) => (
            <select
              {...w}
              className="field"
              disabled={disabled}
              value={methods[quantity]}
              onChange={(e) => onChange({ ...methods, [quantity]: e.target.value } as Methods)}
            >
              {Object.entries(METHODS[quantity]).map(([id, words]) => (
                <option key={id} value={id}>
                  {words}
                </option>
              ))}
            </select>
          )}
        </FormField>
      ))}
    </div>
  );
}
