import type { InputHTMLAttributes } from 'react';
import { FormField } from './form-field.tsx';

type Kind = Pick<
  InputHTMLAttributes<HTMLInputElement>,
  'maxLength' | 'autoComplete' | 'autoFocus' | 'inputMode' | 'placeholder' | 'readOnly' | 'disabled' | 'type'
>;

/** A labelled field of text, of one line or of several where `rows` is given, with its trouble beside it. */
export function TextField({
  label,
  error,
  className,
  rows,
  value,
  onChange,
  ...kind
}: Kind & {
  readonly label: string;
  readonly error?: string | undefined;
  readonly className?: string;
  readonly rows?: number;
  readonly value: string;
  readonly onChange: (text: string) => void;
}) {
  return (
    <FormField label={label} error={error} {...(className !== undefined && { className })}>
      {(w) =>
        rows === undefined ? (
          <input
            {...w}
            {...kind}
            className="field"
            value={value}
            onChange={(e) => onChange(e.target.value)}
          />
        ) : (
          <textarea
            {...w}
            className="field"
            rows={rows}
            maxLength={kind.maxLength}
            readOnly={kind.readOnly}
            value={value}
            onChange={(e) => onChange(e.target.value)}
          />
        )
      }
    </FormField>
  );
}
