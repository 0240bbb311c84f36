'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { usePathname } from 'next/navigation';
import Link from '../kit/link.tsx';
import { helpFor } from './page-help.ts';

/** What this page is for, its keys, and the way to the guide. */
export function HelpPanel({ onClose }: { readonly onClose: () => void }) {
  const { name, purpose, keys, guide } = helpFor(usePathname());
  return (
    <Dialog open onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 flex items-center justify-center bg-plain/40 p-4">
        <DialogPanel className="max-h-full w-full max-w-xl space-y-3 overflow-y-auto border border-plain bg-paper p-5">
          <DialogTitle className="text-2xl">{name}</DialogTitle>
          <p>{purpose}</p>
          <dl>
            {keys.map((k) => (
              <div key={k.keys} className="flex gap-4 border-b border-line py-1">
                <dt className="w-32 shrink-0 font-mono">{k.keys}</dt>
                <dd>{k.does}</dd>
              </div>
            ))}
          </dl>
          <div className="flex justify-end gap-3">
            <Link href={`/guide#${guide}`} className="button" onClick={onClose}>
              In the guide
            </Link>
            <button type="button" className="button button-main" onClick={onClose}>
              Close
            </button>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
