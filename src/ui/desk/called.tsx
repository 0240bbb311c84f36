'use client';

import { useState } from 'react';
import { useSend } from '../data/use-send.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

/** Says that the customer was called about this: they know, or nobody answered. */
export function Called({
  jobId,
  purpose,
  label,
}: {
  readonly jobId: number;
  readonly purpose: 'estimate' | 'ready';
  /** what the button is called where several stand on a page */
  readonly label?: string;
}) {
  const { give, busy, trouble } = useSend();
  const [open, setOpen] = useState(false);
  const [note, setNote] = useState('');
  const say = async (reached: boolean) => {
    if (await give('desk.called', { jobId, purpose, reached, note })) setOpen(false);
  };
  if (!open)
    return (
      <button type="button" className="button shrink-0" aria-label={label} onClick={() => setOpen(true)}>
        Called
      </button>
    );
  return (
    <form aria-label={label ?? 'Called'} className="w-full space-y-2" onSubmit={(e) => e.preventDefault()}>
      <TextField
        label="What was said, with whom (may be empty)"
        maxLength={160}
        value={note}
        onChange={setNote}
      />
      <div className="flex flex-wrap gap-2">
        <button type="button" className="button button-main" disabled={busy} onClick={() => void say(true)}>
          They know
        </button>
        <button type="button" className="button" disabled={busy} onClick={() => void say(false)}>
          Nobody answered
        </button>
        <button type="button" className="button" onClick={() => setOpen(false)}>
          Not called
        </button>
      </div>
      <Trouble trouble={trouble} />
    </form>
  );
}
