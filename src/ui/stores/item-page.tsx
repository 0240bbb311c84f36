'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useState } from 'react';
import { formatMoney, type MoneyForm } from '../../core/money/currency.ts';
import type { TaxRate } from '../../core/money/tax.ts';
import { MOVES } from '../../core/stock/ledger.ts';
import { sayFacts } from '../../core/stock/read-facts.ts';
import { sayQuantity } from '../../core/stock/sorts.ts';
import type { LoadedItem } from '../../server/stores/load-stores.ts';
import { useSend } from '../data/use-send.ts';
import { sayDate, sayMoment } from '../kit/dates.ts';
import Link from '../kit/link.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { MoveForm } from './move-form.tsx';
import { SayArrival } from './say-arrival.tsx';
import { isShort } from '../../core/stock/short.ts';

const ItemForm = lazyPart(() => import('./item-form.tsx').then((m) => m.ItemForm));

/** What waits for which job; each can be let go. */
function Waiting({ item }: { readonly item: LoadedItem }) {
  const { give, busy, trouble } = useSend();
  if (item.asides.length === 0) return null;
  return (
    <section aria-labelledby="waiting" className="space-y-1">
      <h2 id="waiting" className="text-xl">
        Set aside
      </h2>
      <Trouble trouble={trouble} />
      <ul className="divide-y divide-line border-y border-line">
        {item.asides.map((a) => (
          <li key={a.jobId} className="flex items-center gap-4 py-1">
            <span className="grow">
              {sayQuantity(item.sort, a.quantity)} for{' '}
              <Link href={`/job/${a.job ?? 0}/work`} className="underline">
                job {a.job}
              </Link>
            </span>
            <button
              type="button"
              className="button"
              disabled={busy}
              aria-label={`Let it go: job ${a.job ?? ''}`}
              onClick={() =>
                void give('stores.move', {
                  itemId: item.id,
                  kind: 'released',
                  quantity: a.quantity,
                  jobId: a.jobId,
                  lineId: null,
                  reason: '',
                })
              }
            >
              Let it go
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What jobs wait for, and what is still to come. */
function Coming({ item, working }: { readonly item: LoadedItem; readonly working: boolean }) {
  const { give, busy, trouble } = useSend();
  if (item.wants.length + item.orders.length === 0) return null;
  return (
    <section aria-labelledby="coming" className="space-y-1">
      <h2 id="coming" className="text-xl">
        Waited for
      </h2>
      <Trouble trouble={trouble} />
      <ul className="divide-y divide-line border-y border-line">
        {item.wants.map((w) => (
          <li key={`job-${w.jobId}`} className="flex flex-wrap items-center gap-4 py-1">
            <span className="grow">
              {sayQuantity(item.sort, w.quantity)} by{' '}
              <Link href={`/job/${w.job ?? 0}/work`} className="underline">
                job {w.job}
              </Link>
              : <SayArrival arrival={w} />
            </span>
            {working && (
              <button
                type="button"
                className="button"
                disabled={busy}
                aria-label={`It waits no longer: job ${w.job ?? ''}`}
                onClick={() =>
                  void give('stores.want', { jobId: w.jobId, itemId: item.id, lineId: null, quantity: 0 })
                }
              >
                It waits no longer
              </button>
            )}
          </li>
        ))}
        {item.orders.map((o) => (
          <li key={`order-${o.order}`} className="py-1">
            {sayQuantity(item.sort, o.missing)} with{' '}
            <Link href={`/stores/orders/${o.order}`} className="inline-flex min-h-6 items-center underline">
              order {o.order}
            </Link>
            {o.out
              ? o.expected === null
                ? ', nobody said when'
                : `, on ${sayDate(o.expected)}`
              : ', which is not ordered yet'}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The ledger of an item, the newest first. */
function Ledger({ item }: { readonly item: LoadedItem }) {
  return (
    <section aria-labelledby="ledger" className="space-y-1">
      <h2 id="ledger" className="text-xl">
        What happened to it
      </h2>
      {item.moves.length === 0 ? (
        <p className="text-quiet">Nothing yet: say how many came in, or count them.</p>
      ) : (
        <div className="overflow-x-auto" tabIndex={0} role="group" aria-labelledby="ledger">
          <table className="w-full text-left text-sm">
            <thead>
              <tr className="border-b-2 border-plain">
                {['When', 'What', 'How many', 'There after it', 'For', 'By'].map((h) => (
                  <th key={h} scope="col" className="pr-4">
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {item.moves.map((m) => (
                <tr key={m.id} className="border-b border-line align-top">
                  <td className="pr-4 whitespace-nowrap">{sayMoment(m.at)}</td>
                  <td className="min-w-40 pr-4 wrap-anywhere">
                    {MOVES[m.kind]}
                    {m.reason !== '' && <span className="text-ink">: {m.reason}</span>}
                  </td>
                  <td className="pr-4 text-ink">{m.quantity}</td>
                  <td className="pr-4">{m.onHand}</td>
                  <td className="pr-4">{m.job === null ? '' : `job ${m.job}`}</td>
                  <td className="min-w-24 wrap-anywhere">{m.by}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

/** What is known of an item, in one line. */
function sayItem(item: LoadedItem, money: MoneyForm, rates: readonly TaxRate[]): string {
  const facts = sayFacts(item.sort, item.facts, sayDate);
  const amount = (n: number | null) => (n === null ? null : formatMoney(n, money));
  return [
    facts,
    item.place && `lies in ${item.place}`,
    item.supplier && `from ${item.supplier}`,
    item.code && `code ${item.code}`,
    amount(item.cost) && `costs ${amount(item.cost) ?? ''}`,
    amount(item.price) && `the customer pays ${amount(item.price) ?? ''}`,
    rates.find((r) => r.id === item.tax)?.name,
  ]
    .filter(Boolean)
    .join(' · ');
}

/** An item of the stores: what it is, how many are there, what happened to it. */
export function ItemPage({
  item,
  money,
  rates,
  working,
}: {
  readonly item: LoadedItem;
  readonly money: MoneyForm;
  readonly rates: readonly TaxRate[];
  /** whether who looks works at the benches */
  readonly working: boolean;
}) {
  const [changing, setChanging] = useState(false);
  return (
    <div className="max-w-4xl space-y-6 px-5 py-4">
      <div>
        <p className="text-3xl">
          {sayQuantity(item.sort, item.onHand)} there
          {item.free !== item.onHand && <span className="text-quiet">, {item.free} free</span>}
        </p>
        {isShort(item) && (
          <p className="text-rubric">
            ◆ Short:{' '}
            {item.wanted > 0
              ? `jobs wait for ${sayQuantity(item.sort, item.wanted)}.`
              : `at least ${sayQuantity(item.sort, item.least)} should be free.`}
          </p>
        )}
        {item.retired && <p className="text-quiet">It is kept no longer.</p>}
        <p className="text-ink">{sayItem(item, money, rates)}</p>
        <div className="mt-2 flex flex-wrap gap-3">
          {working && !changing && (
            <button type="button" className="button" onClick={() => setChanging(true)}>
              Change what is said of it
            </button>
          )}
          <Link href={`/stores/labels?item=${item.id}`} className="button">
            Its label
          </Link>
        </div>
      </div>
      {changing && (
        <Suspense>
          <ItemForm item={item} money={money} rates={rates} onDone={() => setChanging(false)} />
        </Suspense>
      )}
      <MoveForm item={item} working={working} />
      <Waiting item={item} />
      <Coming item={item} working={working} />
      <Ledger item={item} />
    </div>
  );
}
