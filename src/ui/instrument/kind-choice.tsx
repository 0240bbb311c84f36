'use client';

import { KIND_NAMES, KINDS, type Kind } from '../../core/instrument/kinds.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';

/** One of the shipped kinds. */
export function KindChoice({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: Kind;
  readonly onChange: (kind: Kind) => void;
}) {
  return (
    <FormField label={label}>
      {(w) => (
        <ListChoice
          {...w}
          value={value}
          items={KINDS.map((k) => ({ value: k, name: KIND_NAMES[k] }))}
          onChange={(k) => onChange(k as Kind)}
        />
      )}
    </FormField>
  );
}
