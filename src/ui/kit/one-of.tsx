import { FormField } from './form-field.tsx';
import { ListChoice } from './list-choice.tsx';

/** One of several, or none of them: then its value is empty. */
export function OneOf({
  label,
  className,
  error,
  value,
  none,
  others,
  onChange,
}: {
  readonly label: string;
  readonly className?: string;
  readonly error?: string | undefined;
  readonly value: string;
  /** what it is called to take none of them */
  readonly none: string;
  readonly others: readonly { readonly value: string; readonly name: string }[];
  readonly onChange: (value: string) => void;
}) {
  return (
    <FormField label={label} error={error} {...(className !== undefined && { className })}>
      {(w) => (
        <ListChoice {...w} value={value} items={[{ value: '', name: none }, ...others]} onChange={onChange} />
      )}
    </FormField>
  );
}
