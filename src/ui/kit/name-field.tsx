import { FormField } from './form-field.tsx';

/** The name a customer answers with. */
export function NameField({
  value,
  onChange,
  error,
}: {
  readonly value: string;
  readonly onChange: (name: string) => void;
  readonly error?: string | undefined;
}) {
  return (
    <FormField label="Your name" error={error}>
      {(w) => (
        <input
          {...w}
          className="field"
          autoComplete="name"
          maxLength={120}
          value={value}
          onChange={(e) => onChange(e.target.value)}
        />
      )}
    </FormField>
  );
}
