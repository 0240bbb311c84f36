'use client';

import { useState } from 'react';
import type { ShelfCustomer } from '../../server/privacy/load-customer.ts';
import { useSend } from '../data/use-send.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

/** Photos of their jobs, of which some may show only them. */
function WhichPhotos({
  photos,
  chosen,
  onChange,
}: {
  readonly photos: ShelfCustomer['photos'];
  readonly chosen: readonly number[];
  readonly onChange: (chosen: readonly number[]) => void;
}) {
  if (photos.length === 0) return null;
  return (
    <fieldset>
      <legend className="mb-1 font-bold">Photos that show only them go as well</legend>
      <ul className="flex flex-wrap gap-3">
        {photos.map((p) => (
          <li key={p.id}>
            <label className="flex min-h-11 items-center gap-2 border border-line p-1">
              <input
                type="checkbox"
                className="h-5 w-5"
                checked={chosen.includes(p.id)}
                onChange={(e) =>
                  onChange(e.target.checked ? [...chosen, p.id] : chosen.filter((id) => id !== p.id))
                }
              />
              <img src={`/api/photo/${p.id}?size=small`} alt={`Photo of job ${p.number}`} className="h-16" />
            </label>
          </li>
        ))}
      </ul>
    </fieldset>
  );
}

const several = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`;

/** What goes and what stays, before it is done. */
function WhatGoes({ customer: c }: { readonly customer: ShelfCustomer }) {
  return (
    <p>
      Name, telephone, e-mail, signature and whoever spoke for them go from {several(c.jobs.length, 'job')},{' '}
      {several(c.messages, 'message')} and the log. Readings, work and sums stay; what was signed keeps its
      digest and says that names were withdrawn. It cannot be taken back. Copies kept elsewhere are not
      reached.
    </p>
  );
}

function AlsoInvoices({
  count,
  chosen,
  onChange,
}: {
  readonly count: number;
  readonly chosen: boolean;
  readonly onChange: (chosen: boolean) => void;
}) {
  if (count === 0) return null;
  return (
    <label className="flex min-h-11 items-center gap-3">
      <input
        type="checkbox"
        className="h-6 w-6 shrink-0"
        checked={chosen}
        onChange={(e) => onChange(e.target.checked)}
      />
      From {several(count, 'invoice')} as well. Local law may want those kept whole for years: ask an
      accountant first.
    </label>
  );
}

function ForgetForm({
  customer: c,
  onKeep,
}: {
  readonly customer: ShelfCustomer;
  readonly onKeep: () => void;
}) {
  const { give, busy, trouble } = useSend();
  const [name, setName] = useState('');
  const [why, setWhy] = useState('');
  const [photoIds, setPhotoIds] = useState<readonly number[]>([]);
  const [invoices, setInvoices] = useState(false);
  const field = (of: string) => (trouble?.code === 'invalid' ? trouble.fields[of] : undefined);
  const erase = () =>
    give('shelf.erase-customer', {
      ...{ customerId: c.id, version: c.version, name, why, invoices },
      photoIds: [...photoIds],
    });
  return (
    <form
      aria-label="Forget this customer"
      className="space-y-3 border border-plain p-4"
      onSubmit={(e) => {
        e.preventDefault();
        void erase();
      }}
    >
      <h2 className="text-xl">Forget this customer</h2>
      <WhatGoes customer={c} />
      <WhichPhotos photos={c.photos} chosen={photoIds} onChange={setPhotoIds} />
      <AlsoInvoices count={c.invoices} chosen={invoices} onChange={setInvoices} />
      <TextField
        label="Why (they asked, …)"
        error={field('why')}
        maxLength={200}
        value={why}
        onChange={setWhy}
      />
      <TextField
        label="Their name once more"
        error={field('name')}
        autoComplete="off"
        value={name}
        onChange={setName}
      />
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
      <div className="flex gap-3">
        <button type="submit" className="button button-main" disabled={busy}>
          Forget them
        </button>
        <button type="button" className="button" onClick={onKeep}>
          Keep them
        </button>
      </div>
    </form>
  );
}

/** Forgets a customer: asked for twice, with why, and with what goes and what stays said before. */
export function ForgetCustomer({ customer }: { readonly customer: ShelfCustomer }) {
  const [open, setOpen] = useState(false);
  const here = customer.jobs.filter((j) => j.closedAt === null).map((j) => j.number);
  if (here.length > 0)
    return (
      <p className="text-quiet">
        They can be forgotten once {here.join(' and ')} {here.length === 1 ? 'has' : 'have'} ended.
      </p>
    );
  if (open) return <ForgetForm customer={customer} onKeep={() => setOpen(false)} />;
  return (
    <div>
      <button type="button" className="button" onClick={() => setOpen(true)}>
        Forget this customer
      </button>
    </div>
  );
}
