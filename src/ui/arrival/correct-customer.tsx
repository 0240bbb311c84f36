'use client';

import { Dialog } from '@headlessui/react';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { LeafJob } from '../job/leaf-props.ts';

/** The form comes when it is opened. */
const ChangingCustomer = dynamic(() => import('./changing-customer.tsx').then((m) => m.ChangingCustomer));

/** The way to put another customer on a job that was taken in for the wrong one. */
export function CorrectCustomer({ job }: { readonly job: LeafJob }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="min-h-8 cursor-pointer text-sm underline"
        onClick={() => setOpen(true)}
      >
        another customer
      </button>
      <Dialog open={open} onClose={() => setOpen(false)} className="relative z-40">
        <div className="fixed inset-0 flex items-center justify-center bg-plain/40 p-4">
          {open && <ChangingCustomer job={job} onClose={() => setOpen(false)} />}
        </div>
      </Dialog>
    </>
  );
}
