'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useEffect, useState } from 'react';
import { isTyping } from '../kit/use-slash.ts';

/** What stands behind `?` comes when it is asked for. */
const HelpPanel = lazyPart(() => import('./help-panel.tsx').then((m) => m.HelpPanel));

/** `?` opens what this page is for and its keys, on every page; the button does the same for a finger. */
export function HelpKey() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      if (e.key !== '?' || isTyping(e.target) || e.ctrlKey || e.metaKey || e.altKey) return;
      e.preventDefault();
      setOpen(true);
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, []);
  return (
    <>
      <button
        type="button"
        aria-label="? What this page is for, and its keys"
        className="flex h-11 w-11 cursor-pointer items-center justify-center text-xl font-bold max-sm:hidden"
        onClick={() => setOpen(true)}
      >
        ?
      </button>
      {open && (
        <Suspense>
          <HelpPanel onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
