'use client';

import { useState } from 'react';
import { formatMoney } from '../../core/money/currency.ts';
import { change, PAYMENT_KINDS, type PaymentKind } from '../../core/money/payments.ts';
import { readAmount, sayAmount } from '../../core/money/currency.ts';
import { sayMoment } from '../kit/dates.ts';
import { AskWhy } from '../kit/ask-why.tsx';
import { TextField } from '../kit/text-field.tsx';
import type { LeafProps } from '../job/leaf-props.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

const HOW = { cash: 'Cash', card: 'Card', transfer: 'Transfer', 'on account': 'On account' } as const;

type PaidJob = LeafProps['job'];
type Payment = PaidJob['handOver']['payments']['all'][number];

/** One amount that was written down, and its way back. */
function PaymentRow({ job, payment: p }: { readonly job: PaidJob; readonly payment: Payment }) {
  const { give, busy, trouble } = useSend();
  const [asking, setAsking] = useState(false);
  const said = `${PAYMENT_KINDS[p.kind]} ${formatMoney(p.amount, job.shop.currency)}`;
  return (
    <li className="border-b border-line py-1">
      <div className="flex flex-wrap items-center justify-between gap-x-3">
        <span className={p.back ? 'text-quiet line-through' : 'text-ink'}>
          {said}, {p.how}
          {p.note && `: ${p.note}`}
        </span>
        <span className="text-sm text-quiet">
          {sayMoment(p.at)}
          {p.by && ` · ${p.by}`}
        </span>
      </div>
      {p.back && (
        <p className="text-sm text-quiet">
          taken back by {p.back.by}: {p.back.why}
        </p>
      )}
      {!p.back && !asking && (
        <button
          type="button"
          className="min-h-11 cursor-pointer text-sm text-quiet underline"
          onClick={() => setAsking(true)}
        >
          written down by mistake<span className="sr-only">: {said}</span>
        </button>
      )}
      {!p.back && asking && (
        <AskWhy
          label="Why is it taken back?"
          button="Take it back"
          busy={busy}
          onSend={(why) =>
            void give('hand-over.take-back-payment', { paymentId: p.id, version: p.version, why })
          }
        />
      )}
      <Trouble trouble={trouble} />
    </li>
  );
}

function Text({
  label,
  error,
  value,
  onChange,
  wide = false,
}: {
  readonly label: string;
  readonly error?: string | undefined;
  readonly value: string;
  readonly onChange: (text: string) => void;
  /** words, where the others are amounts */
  readonly wide?: boolean;
}) {
  return (
    <TextField
      label={label}
      error={error}
      className={wide ? 'min-w-32 flex-1' : 'w-32'}
      inputMode={wide ? 'text' : 'decimal'}
      maxLength={200}
      value={value}
      onChange={onChange}
    />
  );
}

/** What is typed of a payment, what it comes to, and how it is written down. */
function useTypedPayment(job: PaidJob) {
  const { give, busy, trouble } = useSend();
  const { open, paid } = job.handOver.payments;
  const { currency } = job.shop;
  // Before anything is on the order what is paid is a deposit, and another one; it is not given back at once.
  const early = job.state === 'open' && (paid === 0 || open + paid === 0);
  const usual = early ? 'deposit' : open < 0 ? 'refund' : 'payment';
  const [chosen, setKind] = useState<PaymentKind | null>(null);
  const kind = chosen ?? usual;
  const [how, setHow] = useState<keyof typeof HOW>('card');
  const [typed, setTyped] = useState<string | null>(null);
  const [given, setGiven] = useState('');
  const [note, setNote] = useState('');
  const text = typed ?? (kind === 'deposit' ? '' : sayAmount(Math.abs(open), currency));
  const amount = readAmount(text, currency);
  const value = amount.ok ? amount.value : null;
  const handed = readAmount(given, currency);
  const back = value !== null && handed.ok && handed.value !== null ? change(value, handed.value) : undefined;
  const keep = async () => {
    if (value === null) return;
    const input = { jobId: job.id, kind, amountMinor: value, how, note: note.trim(), over: paid };
    if (!(await give('hand-over.paid', input))) return;
    setTyped(null);
    setGiven('');
    setNote('');
    setKind(null);
  };
  const set = { kind: setKind, how: setHow, text: setTyped, given: setGiven, note: setNote };
  return { kind, how, text, given, note, amount, handed, value, back, keep, set, busy, trouble };
}

/** A deposit, a payment or a refund, as it is written down; with what is given out again of what was handed over. */
function PaymentForm({ job }: { readonly job: PaidJob }) {
  const typed = useTypedPayment(job);
  const { kind, how, amount, handed, value, back, set, busy, trouble } = typed;
  const { currency } = job.shop;
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  return (
    <form
      aria-label="A payment"
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void typed.keep();
      }}
    >
      <PillChoice quiet legend="What" value={kind} options={PAYMENT_KINDS} onChange={set.kind} />
      <PillChoice quiet legend="How" value={how} options={HOW} onChange={set.how} />
      <div className="flex flex-wrap items-end gap-2">
        <Text
          label="Amount"
          error={amount.ok ? fields['amountMinor'] : amount.error}
          value={typed.text}
          onChange={set.text}
        />
        {how === 'cash' && kind !== 'refund' && (
          <Text
            label="Handed over"
            error={handed.ok ? undefined : handed.error}
            value={typed.given}
            onChange={set.given}
          />
        )}
        <Text label="Note" value={typed.note} onChange={set.note} wide />
      </div>
      {back !== undefined && (
        <p role="status">
          {back === null ? 'That is not enough.' : <b>Give out {formatMoney(back, currency)}.</b>}
        </p>
      )}
      <div className="flex items-center gap-3">
        <button type="submit" className="button shrink-0" disabled={busy || value === null || value === 0}>
          Write it down
        </button>
        <p className="text-sm text-quiet">Rubrica writes it down; it moves no money.</p>
      </div>
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
    </form>
  );
}

/** What is to pay, what was paid, what is still open. */
export function Payments({ job, may }: { readonly job: PaidJob; readonly may: boolean }) {
  const { all, toPay, paid, open } = job.handOver.payments;
  const money = (v: number) => formatMoney(v, job.shop.currency);
  return (
    <section aria-labelledby="paid" className="space-y-2">
      <h2 id="paid" className="text-xl">
        Payment
      </h2>
      <p>
        To pay {money(toPay)}
        {paid !== 0 && `, paid ${money(paid)}`}.{' '}
        <b>
          {open > 0
            ? `Still open: ${money(open)}.`
            : open < 0
              ? `To give back: ${money(-open)}.`
              : toPay > 0
                ? 'All is paid.'
                : 'Nothing is to pay.'}
        </b>
      </p>
      {all.length > 0 && (
        <ul aria-label="What was paid">
          {all.map((p) => (
            <PaymentRow key={p.id} job={job} payment={p} />
          ))}
        </ul>
      )}
      {may && <PaymentForm job={job} />}
    </section>
  );
}
