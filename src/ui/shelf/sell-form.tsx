'use client';

import { useState } from 'react';
import { asCustomer, CustomerOrNew, NOBODY } from '../desk/customer-or-new.tsx';
import { useSend } from '../data/use-send.ts';
import { sayMoment } from '../kit/dates.ts';
import { Trouble } from '../kit/trouble.tsx';

/** An instrument that hangs on the floor, and its buyer: known to the shop or new. */
export function SellForm({
  instrument,
  may,
}: {
  readonly instrument: { readonly id: number; readonly version: number; readonly floorSince: string };
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const [buyer, setBuyer] = useState(NOBODY);
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const sell = () =>
    give('shelf.sell', {
      instrumentId: instrument.id,
      version: instrument.version,
      customer: asCustomer(buyer),
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
          <CustomerOrNew value={buyer} errors={fields} onChange={setBuyer} />
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
