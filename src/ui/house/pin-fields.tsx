'use client';

import { pinProblem } from '../../core/people/pin.ts';
import { FormField } from '../kit/form-field.tsx';

/** A PIN as it is typed: digits only, never shown, what is wrong with a new one said at once. */
export function PinField({
  label,
  value,
  error,
  fresh,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly error?: string | undefined;
  /** one that is to be: it must not be guessed */
  readonly fresh: boolean;
  readonly onChange: (pin: string) => void;
}) {
  const problem = fresh && value.length >= 4 ? (pinProblem(value) ?? undefined) : undefined;
  return (
    <FormField label={label} className="w-56" error={error ?? problem}>
      {(w) => (
        <input
          {...w}
          className="field tracking-[0.3em]"
          type="password"
          inputMode="numeric"
          autoComplete={fresh ? 'new-password' : 'off'}
          maxLength={12}
          value={value}
          onChange={(e) => onChange(e.target.value.replace(/\D/g, ''))}
        />
      )}
    </FormField>
  );
}
