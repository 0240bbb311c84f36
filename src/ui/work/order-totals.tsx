'use client';

import { useState } from 'react';
import { formatMoney, total, totalRange, type Discount } from '../../core/money/money.ts';
import { FormField } from '../kit/form-field.tsx';
import type { LeafProps } from '../job/leaf-props.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';

const KINDS: Readonly<Record<Discount['kind'], string>> = {
  none: 'None',
  amount: 'Amount',
  share: 'Per cent',
};
const NUMBER = /^\d{1,6}(?:[.,]\d{1,2})?$/;

/** Says a discount's value as it is typed: `12.50` for an amount, `10` for a share. */
const asTyped = (d: Discount): string => (d.kind === 'none' ? '' : String(d.value / 100));

function DiscountForm({ job, onDone }: Pick<LeafProps, 'job'> & { readonly onDone: () => void }) {
  const { give, busy, trouble } = useSend();
  const { discount } = job;
  const edit = useEdit<{ kind: Discount['kind']; text: string; reason: string }>(
    { kind: discount.kind, text: asTyped(discount), reason: discount.reason },
    job.version,
    `discount:${job.id}`,
  );
  const { text, reason } = edit.value;
  // Who opens the form wants to give one: a share, unless they say otherwise.
  const kind = edit.value.kind === 'none' && !edit.changed ? 'share' : edit.value.kind;
  const fine = kind === 'none' || NUMBER.test(text.trim());
  const field = (name: string) => (trouble?.code === 'invalid' ? trouble.fields[name] : undefined);
  const keep = async () => {
    const value = kind === 'none' ? 0 : Math.round(Number(text.trim().replace(',', '.')) * 100);
    const done = await edit.save((_, version) =>
      give('work.discount', { jobId: job.id, version, kind, value, reason }),
    );
    if (done) onDone();
  };
  return (
    <form
      className="space-y-2 border border-line p-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (fine) void keep();
      }}
    >
      <PillChoice
        legend="Discount"
        value={kind}
        options={KINDS}
        onChange={(value) => edit.set({ kind: value })}
      />
      {kind !== 'none' && (
        <>
          <FormField
            label={kind === 'share' ? 'Per cent off' : `Off, ${job.shop.currency}`}
            error={text !== '' && !fine ? 'A number, like 10 or 12.50' : field('value')}
          >
            {(w) => (
              <input
                {...w}
                className="field"
                inputMode="decimal"
                value={text}
                onChange={(e) => edit.set({ kind, text: e.target.value })}
              />
            )}
          </FormField>
          <FormField label="Its reason" error={field('reason')}>
            {(w) => (
              <input
                {...w}
                className="field"
                maxLength={200}
                value={reason}
                onChange={(e) => edit.set({ kind, reason: e.target.value })}
              />
            )}
          </FormField>
        </>
      )}
      <button
        type="submit"
        className="button button-main"
        disabled={busy || !fine || edit.conflicts.length > 0}
      >
        Keep the discount
      </button>
      <ConflictChoice edit={edit} names={{ kind: 'Discount', text: 'How much', reason: 'Its reason' }} />
      {trouble?.code !== 'invalid' && edit.conflicts.length === 0 && <Trouble trouble={trouble} />}
    </form>
  );
}

/** What is agreed comes to: labour, parts, discount with its reason, tax, and the range it may turn out in. */
export function OrderTotals({ job, may }: Pick<LeafProps, 'job'> & { readonly may: boolean }) {
  const [open, setOpen] = useState(false);
  const agreed = job.lines.filter((l) => l.approval === 'yes');
  const sum = total(agreed, job.shop.taxRate, job.discount);
  const range = totalRange(
    agreed.map((l) => ({ ...l, settled: l.step === 'finished' })),
    job.shop.taxRate,
    job.discount,
  );
  const over = job.limit !== null && sum.toPay > job.limit;
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
        {row(`Tax ${job.shop.taxRate * 100} %`, money(sum.tax))}
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
      {over && <p className="text-rubric">◆ Over the limit of {money(job.limit ?? 0)}: ask the customer.</p>}
      {may && (
        <button type="button" className="button" aria-expanded={open} onClick={() => setOpen(!open)}>
          {job.discount.kind === 'none' ? 'Give a discount' : 'Change the discount'}
        </button>
      )}
      {may && open && <DiscountForm job={job} onDone={() => setOpen(false)} />}
    </section>
  );
}
