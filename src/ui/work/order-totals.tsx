'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useState } from 'react';
import { formatMoney } from '../../core/money/currency.ts';
import { total, totalRange } from '../../core/money/money.ts';
import { sayRate } from '../../core/money/say-bill.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { LimitSays } from './limit-says.tsx';

/** What changes a price comes when somebody asks for it. */
const DiscountForm = lazyPart(() => import('./discount-form.tsx').then((m) => m.DiscountForm));
const LinePrice = lazyPart(() => import('./line-price.tsx').then((m) => m.LinePrice));

/** The ways to change what is agreed: a discount, a price. */
function Changes({ job }: Pick<LeafProps, 'job'>) {
  const [open, setOpen] = useState<'discount' | 'price' | null>(null);
  const button = (what: 'discount' | 'price', words: string) => (
    <button
      type="button"
      className="button"
      aria-expanded={open === what}
      onClick={() => setOpen(open === what ? null : what)}
    >
      {words}
    </button>
  );
  return (
    <>
      <div className="flex flex-wrap gap-2">
        {button('discount', job.discount.kind === 'none' ? 'Give a discount' : 'Change the discount')}
        {job.lines.some((l) => l.approval !== 'no') && button('price', 'Change a price')}
      </div>
      {open === 'discount' && (
        <Suspense>
          <DiscountForm job={job} onDone={() => setOpen(null)} />
        </Suspense>
      )}
      {open === 'price' && (
        <Suspense>
          <LinePrice job={job} onDone={() => setOpen(null)} />
        </Suspense>
      )}
    </>
  );
}

/** What is agreed comes to: labour, parts, discount with its reason, tax, and the range it may turn out in. */
export function OrderTotals({ job, may }: Pick<LeafProps, 'job'> & { readonly may: boolean }) {
  const agreed = job.lines.filter((l) => l.approval === 'yes');
  const sum = total(agreed, job.shop.tax, job.discount);
  const range = totalRange(
    agreed.map((l) => ({ ...l, settled: l.step === 'finished' })),
    job.shop.tax,
    job.discount,
  );
  const money = (value: number) => formatMoney(value, job.shop.currency);
  const row = (name: string, value: string) => (
    <div className="flex justify-between gap-2 border-b border-line py-1">
      <dt>{name}</dt>
      <dd>{value}</dd>
    </div>
  );
  return (
    <section aria-labelledby="totals" className="space-y-2">
      <h2 id="totals" className="text-xl">
        Agreed
      </h2>
      <dl>
        {row('Labour', money(sum.labour))}
        {row('Parts', money(sum.parts))}
        {job.discount.kind !== 'none' && row(`Discount: ${job.discount.reason}`, `−${money(sum.discount)}`)}
        {sum.taxes.map((t) => row(`${sum.included ? 'of it ' : ''}${sayRate(t)}`, money(t.tax)))}
        {sum.rounding !== 0 && row('Rounded', money(sum.rounding))}
        <div className="flex justify-between py-1 font-bold">
          <dt>To pay</dt>
          <dd>{money(sum.toPay)}</dd>
        </div>
      </dl>
      {range.low !== range.high && (
        <p className="text-sm text-quiet">
          As the work turns out: {money(range.low)} to {money(range.high)}.
        </p>
      )}
      <LimitSays job={job} />
      {may && <Changes job={job} />}
    </section>
  );
}
