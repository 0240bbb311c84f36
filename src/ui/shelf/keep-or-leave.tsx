'use client';

import { Trouble } from '../kit/trouble.tsx';
import type { useSend } from '../data/use-send.ts';

/** How a form of the book is kept or left, and what was wrong beside its fields. */
export const KeepOrLeave = ({
  busy,
  trouble,
  onLeave,
}: Pick<ReturnType<typeof useSend>, 'busy' | 'trouble'> & { readonly onLeave: () => void }) => (
  <>
    <div className="flex gap-2">
      <button type="submit" className="button button-main" disabled={busy}>
        Keep it
      </button>
      <button type="button" className="button" onClick={onLeave}>
        Leave it
      </button>
    </div>
    <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
  </>
);
