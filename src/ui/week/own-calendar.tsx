'use client';

import { useState } from 'react';
import { useSend } from '../data/use-send.ts';
import { FreshLink } from '../kit/fresh-link.tsx';
import { Trouble } from '../kit/trouble.tsx';

/** The link by which a telephone shows one's own steps: made, told once, ended. */
export function OwnCalendar({ person }: { readonly person: number }) {
  const { give, busy, trouble } = useSend();
  const [token, setToken] = useState('');
  const [ended, setEnded] = useState(false);
  const make = async () => {
    const done = await give('week.feed', { personId: person });
    if (done) setToken(done.token);
  };
  const end = async () => {
    if (!(await give('week.end-feed', { personId: person }))) return;
    setToken('');
    setEnded(true);
  };
  return (
    <details className="mt-6 no-print">
      <summary className="min-h-11 cursor-pointer py-2">Your steps in a calendar</summary>
      <p className="text-sm text-quiet">
        A link for your telephone’s calendar. Whoever has it reads your steps; a new one ends the one before.
      </p>
      <p className="mt-2 flex gap-3">
        <button type="button" className="button" disabled={busy} onClick={() => void make()}>
          Make a link
        </button>
        <button type="button" className="button" disabled={busy} onClick={() => void end()}>
          End it
        </button>
      </p>
      {token !== '' && (
        <FreshLink
          path={`/api/week/feed/${token}`}
          label="Your calendar’s link"
          words="This link opens your steps and nothing else. It is shown once."
        />
      )}
      {ended && token === '' && <p role="status">There is no link any more.</p>}
      <Trouble trouble={trouble} />
    </details>
  );
}
