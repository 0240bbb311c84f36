'use client';

import { DialogPanel, DialogTitle } from '@headlessui/react';
import { useState } from 'react';
import { useSend } from '../data/use-send.ts';
import { asCustomer, CustomerOrNew, NOBODY } from '../desk/customer-or-new.tsx';
import type { LeafJob } from '../job/leaf-props.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

/** Another customer for the job, and whether the instrument is theirs. */
export function ChangingCustomer({ job, onClose }: { readonly job: LeafJob; readonly onClose: () => void }) {
  const { give, busy, trouble } = useSend();
  // What the screen showed when the form was opened: a colleague's change meanwhile is not written over.
  const [version] = useState(job.version);
  const [named, setNamed] = useState(NOBODY);
  const [instrumentToo, setInstrumentToo] = useState(true);
  const [why, setWhy] = useState('');
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const keep = async () => {
    const input = { jobId: job.id, version, customer: asCustomer(named), instrumentToo, why };
    if (await give('desk.change-customer', input)) onClose();
  };
  return (
    <DialogPanel className="max-h-full w-full max-w-xl space-y-3 overflow-y-auto border border-plain bg-paper p-5">
      <DialogTitle className="text-2xl">Another customer</DialogTitle>
      <p className="text-sm">
        It was taken in for {job.customer.name}. Their links open nothing any more, and what was written to
        them and has not left is not sent.
      </p>
      <CustomerOrNew value={named} errors={fields} onChange={setNamed} />
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="h-6 w-6 shrink-0"
          checked={instrumentToo}
          onChange={(e) => setInstrumentToo(e.target.checked)}
        />
        The instrument is theirs
      </label>
      <TextField
        label="Why it is changed"
        error={fields['why']}
        maxLength={200}
        value={why}
        onChange={setWhy}
      />
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
      <div className="flex justify-end gap-3">
        <button type="button" className="button" onClick={onClose}>
          Leave it as it was
        </button>
        <button
          type="button"
          className="button button-main"
          disabled={busy || why.trim() === '' || (named.known === null && named.name.trim() === '')}
          onClick={() => void keep()}
        >
          Keep
        </button>
      </div>
    </DialogPanel>
  );
}
