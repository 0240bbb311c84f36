'use client';

import { useEffect, useState, type ComponentType } from 'react';
import { isTyping } from '../kit/use-slash.ts';

type Dialog = ComponentType<{ readonly onClose: () => void }>;

/** Finds anything from anywhere; `/` opens it where a page has no search field of its own. The search comes when it is asked for. */
export function FindKey() {
  const [Open, setOpen] = useState<Dialog | null>(null);
  const open = () => void import('../find/find-dialog.tsx').then((m) => setOpen(() => m.FindDialog));
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      if (e.key !== '/' || isTyping(e.target) || document.querySelector('[data-slash]')) return;
      e.preventDefault();
      open();
    };
    addEventListener('keydown', key);
    return () => removeEventListener('keydown', key);
  }, []);
  return (
    <>
      <button type="button" className="min-h-11 w-full max-sm:hidden" onClick={open}>
        Find
      </button>
      {Open && <Open onClose={() => setOpen(null)} />}
    </>
  );
}
