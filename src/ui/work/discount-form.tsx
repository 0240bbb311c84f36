'use client';

import { readAmount, sayAmount, signOf, type MoneyForm } from '../../core/money/currency.ts';
import type { Discount } from '../../core/money/money.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { TextField } from '../kit/text-field.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';

const KINDS: Readonly<Record<Discount['kind'], string>> = {
  none: 'None',
  amount: 'Amount',
  share: 'Per cent',
};
const SHARE = /^\d{1,3}(?:[.,]\d{1,2})?$/;

/** Says a discount's value as it is typed: `12.50` for an amount, `10` for a share. */
const asTyped = (d: Discount, currency: MoneyForm): string =>
  d.kind === 'none' ? '' : d.kind === 'amount' ? sayAmount(d.value, currency) : String(d.value / 100);

/** Reads one: minor units of an amount, hundredths of a per cent of a share; null where it is neither. */
function readDiscount(kind: Discount['kind'], text: string, currency: MoneyForm): number | null {
  if (kind === 'none') return 0;
  if (kind === 'share')
    return SHARE.test(text.trim()) ? Math.round(Number(text.trim().replace(',', '.')) * 100) : null;
  const read = readAmount(text, currency);
  return read.ok ? read.value : null;
}

/** What is typed of a discount, and how it is kept. */
function useTypedDiscount(job: LeafProps['job'], onDone: () => void) {
  const { give, busy, trouble } = useSend();
  const { discount } = job;
  const edit = useEdit<{ kind: Discount['kind']; text: string; reason: string }>(
    { kind: discount.kind, text: asTyped(discount, job.shop.currency), reason: discount.reason },
    job.version,
    `discount:${job.id}`,
  );
  const { text, reason } = edit.value;
  // Who opens the form wants to give one: a share, unless they say otherwise.
  const kind = edit.value.kind === 'none' && !edit.changed ? 'share' : edit.value.kind;
  const value = readDiscount(kind, text, job.shop.currency);
  const fine = value !== null;
  const field = (name: string) => (trouble?.code === 'invalid' ? trouble.fields[name] : undefined);
  const keep = async () => {
    if (value === null) return;
    const done = await edit.save((_, version) =>
      give('work.discount', { jobId: job.id, version, kind, value, reason }),
    );
    if (done) onDone();
  };
  return { edit, kind, fine, field, keep, busy, trouble };
}

/** A discount: how much, in which way, and its reason. */
export function DiscountForm({ job, onDone }: Pick<LeafProps, 'job'> & { readonly onDone: () => void }) {
  const { edit, kind, fine, field, keep, busy, trouble } = useTypedDiscount(job, onDone);
  const { text, reason } = edit.value;
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
          <TextField
            label={kind === 'share' ? 'Per cent off' : `Off, ${signOf(job.shop.currency)}`}
            error={text !== '' && !fine ? 'A number, like 10 or 12.50' : field('value')}
            inputMode="decimal"
            value={text}
            onChange={(text) => edit.set({ kind, text: text })}
          />
          <TextField
            label="Its reason"
            error={field('reason')}
            maxLength={200}
            value={reason}
            onChange={(text) => edit.set({ kind, reason: text })}
          />
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
