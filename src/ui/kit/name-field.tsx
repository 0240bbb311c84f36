import { TextField } from './text-field.tsx';

/** The name a customer answers with. */
export function NameField(props: {
  readonly value: string;
  readonly onChange: (name: string) => void;
  readonly error?: string | undefined;
}) {
  return <TextField label="Your name" autoComplete="name" maxLength={120} {...props} />;
}
