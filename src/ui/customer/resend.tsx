'use client';

import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

/** Gives a message that failed to the gateway once more. */
export function Resend({ messageId }: { readonly messageId: number }) {
  const { give, busy, trouble } = useSend();
  return (
    <>
      <button
        type="button"
        className="button"
        disabled={busy}
        onClick={() => void give('desk.resend', { messageId })}
      >
        Send it again
      </button>
      <Trouble trouble={trouble} />
    </>
  );
}
