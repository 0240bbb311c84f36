'use client';

import { useState } from 'react';
import type { FoundCustomer } from '../../server/desk/find.ts';
import { CustomerField } from '../desk/customer-field.tsx';
import { useSend } from '../data/use-send.ts';
import { sayMoment } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

const CONTACTS = { phone: 'Telephone', email: 'E-mail' } as const;

type Contact = Readonly<Record<keyof typeof CONTACTS, string>>;

/** How somebody new is reached. */
function Contacts({
  value,
  errors,
  onChange,
}: {
  readonly value: Contact;
  readonly errors: Readonly<Record<string, string>>;
  readonly onChange: (to: Contact) => void;
}) {
  return (
    <div className="flex flex-wrap gap-3">
      {(['phone', 'email'] as const).map((key) => (
        <FormField key={key} label={CONTACTS[key]} className="w-64" error={errors[`customer.${key}`]}>
          {(w) => (
            <input
              {...w}
              className="field"
              value={value[key]}
              onChange={(e) => onChange({ ...value, [key]: e.target.value })}
            />
          )}
        </FormField>
      ))}
    </div>
  );
}

/** An instrument that hangs on the floor, and its buyer: known to the shop or new. */
export function SellForm({
  instrument,
  may,
}: {
  readonly instrument: { readonly id: number; readonly version: number; readonly floorSince: string };
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const [buyer, setBuyer] = useState<{ readonly known: FoundCustomer | null; readonly name: string }>({
    known: null,
    name: '',
  });
  const [contact, setContact] = useState<Contact>({ phone: '', email: '' });
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const sell = () =>
    give('shelf.sell', {
      instrumentId: instrument.id,
      version: instrument.version,
      customer: buyer.known ? { id: buyer.known.id } : { name: buyer.name, ...contact },
    });
  return (
    <section aria-labelledby="floor" className="mx-5 mt-3 max-w-3xl space-y-2 border border-line p-3">
      <h2 id="floor" className="text-xl">
        On the floor <span className="text-base text-quiet">since {sayMoment(instrument.floorSince)}</span>
      </h2>
      {may && (
        <form
          aria-label="Sold"
          className="space-y-2"
          onSubmit={(e) => {
            e.preventDefault();
            void sell();
          }}
        >
          <CustomerField
            value={buyer.name}
            chosen={buyer.known}
            error={fields['customer.name'] ?? fields['customer']}
            onChoose={(known, name) => setBuyer({ known, name })}
          />
          {!buyer.known && <Contacts value={contact} errors={fields} onChange={setContact} />}
          <button
            type="submit"
            className="button button-main"
            disabled={busy || (buyer.known === null && buyer.name.trim() === '')}
          >
            Sold: it is theirs
          </button>
          <p className="text-sm text-quiet">Its check stays with it, as the first thing known of it.</p>
        </form>
      )}
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
    </section>
  );
}
