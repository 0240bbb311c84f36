'use client';

import { useState } from 'react';
import { TextField } from './text-field.tsx';

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
      <TextField label={label} className="flex-1" maxLength={200} value={why} onChange={setWhy} />
      <button type="submit" className="button shrink-0" disabled={busy || why.trim() === ''}>
        {button}
      </button>
    </form>
  );
}
