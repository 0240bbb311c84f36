'use client';

import { useState } from 'react';
import { FormField } from './form-field.tsx';

/** Asks for a reason before something is taken back; nothing is sent without one. */
export function AskWhy({
  label,
  button,
  name,
  busy,
  onSend,
}: {
  readonly label: string;
  readonly button: string;
  /** of the form, where several stand on a page */
  readonly name?: string;
  readonly busy: boolean;
  readonly onSend: (why: string) => void;
}) {
  const [why, setWhy] = useState('');
  return (
    <form
      aria-label={name}
      className="flex items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        onSend(why);
      }}
    >
      <FormField label={label} className="flex-1">
        {(w) => (
          <input
            {...w}
            className="field"
            maxLength={200}
            value={why}
            onChange={(e) => setWhy(e.target.value)}
          />
        )}
      </FormField>
      <button type="submit" className="button shrink-0" disabled={busy || why.trim() === ''}>
        {button}
      </button>
    </form>
  );
}
