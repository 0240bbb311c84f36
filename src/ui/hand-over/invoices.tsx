'use client';

import { useState } from 'react';
import { sayMoment } from '../kit/dates.ts';
import { AskWhy } from '../kit/ask-why.tsx';
import type { LeafProps } from '../job/leaf-props.ts';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

type Invoiced = LeafProps<'invoices'>['job'];
type Invoice = Invoiced['invoices'][number];

/** One invoice: its paper, and how it is cancelled. */
function InvoiceRow({
  job,
  invoice: i,
  may,
}: {
  readonly job: Invoiced;
  readonly invoice: Invoice;
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const [asking, setAsking] = useState(false);
  const stands = i.cancels === null && !i.cancelled;
  return (
    <li className="border-b border-line py-1">
      <p className="flex flex-wrap items-center gap-x-3">
        <a
          className={`inline-flex min-h-11 items-center underline ${i.cancelled ? 'line-through' : ''}`}
          href={`/api/job/${job.number}/invoice/${i.number}`}
          target="_blank"
          rel="noreferrer"
        >
          {i.cancels === null ? `Invoice ${i.number}` : `${i.number}, cancels invoice ${i.cancels}`}
        </a>
        <span className="text-sm text-quiet">
          {sayMoment(i.at)} · {i.by}
        </span>
        {stands && may && !asking && (
          <button
            type="button"
            className="min-h-11 cursor-pointer text-sm text-quiet underline"
            onClick={() => setAsking(true)}
          >
            cancel it<span className="sr-only">: invoice {i.number}</span>
          </button>
        )}
      </p>
      {i.reason && <p className="text-sm text-quiet">{i.reason}</p>}
      {stands && asking && (
        <AskWhy
          label="Why is it cancelled?"
          button="Cancel it"
          busy={busy}
          onSend={(reason) => void give('hand-over.cancel-invoice', { number: i.number, reason })}
        />
      )}
      <Trouble trouble={trouble} />
    </li>
  );
}

/** The job's invoices: each has the next number and never changes. */
export function Invoices({ job, may }: { readonly job: Invoiced; readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  const stands = job.invoices.some((i) => i.cancels === null && !i.cancelled);
  return (
    <section aria-label="Invoices" className="space-y-1">
      {job.invoices.length > 0 && (
        <ul>
          {job.invoices.map((i) => (
            <InvoiceRow key={i.number} job={job} invoice={i} may={may} />
          ))}
        </ul>
      )}
      {may && !stands && job.handOver.payments.toPay > 0 && (
        <button
          type="button"
          className="button"
          disabled={busy}
          onClick={() => void give('hand-over.invoice', { jobId: job.id })}
        >
          Make an invoice
        </button>
      )}
      <Trouble trouble={trouble} />
    </section>
  );
}
