'use client';

import { Dialog } from '@headlessui/react';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { LeafJob } from '../job/leaf-props.ts';

/** The form comes when it is opened. */
const CorrectingSaid = dynamic(() => import('./correcting-said.tsx').then((m) => m.CorrectingSaid));

/** The way to put right what was written at the counter. */
export function CorrectSaid({ job }: { readonly job: LeafJob }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="button px-3" onClick={() => setOpen(true)}>
        Correct<span className="sr-only"> what was said</span>
      </button>
      <Dialog open={open} onClose={() => setOpen(false)} className="relative z-40">
        <div className="fixed inset-0 flex items-center justify-center bg-plain/40 p-4">
          {open && <CorrectingSaid job={job} onClose={() => setOpen(false)} />}
        </div>
      </Dialog>
    </>
  );
}
