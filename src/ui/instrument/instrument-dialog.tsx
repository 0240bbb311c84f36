'use client';

import { Dialog } from '@headlessui/react';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { LeafJob } from '../job/leaf-props.ts';

/** The form comes when it is opened. */
const InstrumentEditing = dynamic(() => import('./instrument-editing.tsx').then((m) => m.InstrumentEditing));

/** The way to change what an instrument is: its checklist, readings and neck sheet follow at once. */
export function ChangeInstrument({ job }: { readonly job: LeafJob<'kinds'> }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="button px-3" onClick={() => setOpen(true)}>
        Change<span className="sr-only"> what it is</span>
      </button>
      <Dialog open={open} onClose={() => setOpen(false)} className="relative z-40">
        <div className="fixed inset-0 flex items-center justify-center bg-plain/40 p-4">
          {open && <InstrumentEditing job={job} onClose={() => setOpen(false)} />}
        </div>
      </Dialog>
    </>
  );
}
