'use client';

import type { MoneyForm } from '../../core/money/currency.ts';
import { STANDINGS } from '../../core/stock/orders.ts';
import type { LoadedOrder, LoadedSupplier } from '../../server/stores/load-orders.ts';
import { useSend, type Sender } from '../data/use-send.ts';
import { sayDate } from '../kit/dates.ts';
import { PrintButton } from '../kit/print-button.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { CameForm } from './came-form.tsx';
import { OrderForm } from './order-form.tsx';
import { SupplierForm } from './supplier-form.tsx';

/** How it stands, in words. */
function Standing({ order: o }: { readonly order: LoadedOrder }) {
  const how = o.orderedHow === 'mail' ? 'ordered by e-mail' : 'ordered';
  const waits = o.standing === 'under way' || o.standing === 'partly here' || o.standing === 'late';
  return (
    <div>
      <p className={`text-3xl ${o.standing === 'late' ? 'text-rubric' : ''}`}>
        {o.standing === 'late' && '◆ '}
        {STANDINGS[o.standing]}
      </p>
      <p className="text-ink">
        {o.orderedOn !== null && `${how} on ${sayDate(o.orderedOn)}`}
        {waits && o.expected !== null && `, it should come on ${sayDate(o.expected)}`}
        {o.by !== '' && <span className="text-quiet"> · written by {o.by}</span>}
      </p>
      {o.letter && (
        <p className={o.letter.state === 'failed' ? 'text-rubric' : 'text-quiet'}>
          {o.letter.state === 'waiting'
            ? 'The e-mail is on its way.'
            : o.letter.state === 'failed'
              ? `◆ The e-mail could not be delivered: ${o.letter.trouble}`
              : 'The e-mail was delivered.'}
          {o.letter.wentBy === 'simulated' && ' (simulated: nothing has left the house)'}
        </p>
      )}
    </div>
  );
}

/** What can be said of an order whole: it went out, it did not, nothing more comes. */
function Actions({ order: o, sender }: { readonly order: LoadedOrder; readonly sender: Sender }) {
  const { give, busy, trouble } = sender;
  const at = { orderId: o.id, version: o.version };
  const out = o.orderedOn !== null;
  const nothing = o.rows.every((r) => r.came === 0);
  const button = (says: string, on: () => void, main = false) => (
    <button type="button" className={`button ${main ? 'button-main' : ''}`} disabled={busy} onClick={on}>
      {says}
    </button>
  );
  return (
    <>
      <div className="no-print flex flex-wrap gap-3">
        {!out &&
          !o.ended &&
          o.email !== '' &&
          button(
            `Send it by e-mail to ${o.email}`,
            () => void give('stores.place-order', { ...at, how: 'mail' }),
            true,
          )}
        {!out &&
          !o.ended &&
          button('It was ordered another way', () => void give('stores.place-order', { ...at, how: 'own' }))}
        {out &&
          nothing &&
          !o.ended &&
          button('It has not gone out', () => void give('stores.place-order', { ...at, how: 'not' }))}
        {o.standing !== 'here' &&
          button(
            o.ended ? 'It comes after all' : out ? 'The rest does not come' : 'It is not needed',
            () => void give('stores.end-order', { ...at, ended: !o.ended }),
          )}
        <a href={`/api/stores?order=${o.id}`} download className="button">
          As CSV
        </a>
        <PrintButton low={false} />
      </div>
      <Trouble trouble={trouble} />
    </>
  );
}

/** Senders of one page that are busy together. */
function inStep<S extends Sender[]>(...senders: S): { [K in keyof S]: Sender } {
  const busy = senders.some((s) => s.busy);
  return senders.map((s) => ({ ...s, busy })) as { [K in keyof S]: Sender };
}

/** An order at a supplier: written, sent, partly here, late. Everything said of it can be put right. */
export function OrderPage({
  order: o,
  supplier,
  money,
  may,
}: {
  readonly order: LoadedOrder;
  readonly supplier: LoadedSupplier;
  readonly money: MoneyForm;
  /** whether who looks may order */
  readonly may: boolean;
}) {
  const out = o.orderedOn !== null;
  // Each says its own trouble; while one runs none of the others speaks of a version that is gone.
  const [form, came, act] = inStep(useSend(), useSend(), useSend());
  return (
    <div className="max-w-4xl space-y-6 px-5 py-4">
      <Standing order={o} />
      {out && <CameForm order={o} sender={came} />}
      <section aria-labelledby="ordered" className="space-y-2">
        <h2 id="ordered" className="text-xl">
          What is ordered
        </h2>
        <OrderForm order={o} money={money} sender={form} />
      </section>
      {may && <Actions order={o} sender={act} />}
      {may && <SupplierForm supplier={supplier} open={!out && o.email === ''} />}
    </div>
  );
}
