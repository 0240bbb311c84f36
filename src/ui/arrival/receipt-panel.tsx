'use client';

import Link from '../kit/link.tsx';
import { useState } from 'react';
import type { LeafJob } from '../job/leaf-props.ts';
import { sayMoment } from '../kit/dates.ts';
import { TextField } from '../kit/text-field.tsx';
import { SignatureField, type Strokes } from '../kit/signature.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

function Initialling({ job, onDone }: { readonly job: LeafJob<'receipt'>; readonly onDone: () => void }) {
  const { give, busy, trouble } = useSend();
  const [name, setName] = useState(job.customer.name);
  const [strokes, setStrokes] = useState<Strokes | null>(null);
  const [byName, setByName] = useState(false);
  const keep = async () => {
    if (await give('desk.receipt', { jobId: job.id, name, initials: strokes })) onDone();
  };
  return (
    <div className="space-y-2">
      <TextField label="Who has seen it" value={name} onChange={setName} />
      <SignatureField onChange={setStrokes} />
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="h-6 w-6"
          checked={byName}
          onChange={(e) => setByName(e.target.checked)}
        />
        Initials by name, without drawing
      </label>
      <Trouble trouble={trouble} />
      <button
        type="button"
        className="button button-main"
        disabled={busy || (strokes === null && !byName)}
        onClick={() => void keep()}
      >
        Seen and left
      </button>
    </div>
  );
}

/** The receipt: what was left, seen and initialled by the customer, to print. */
export function ReceiptPanel({ job, may }: { readonly job: LeafJob<'receipt'>; readonly may: boolean }) {
  const [asking, setAsking] = useState(false);
  const { receipt } = job;
  return (
    <section aria-labelledby="receipt" className="space-y-2">
      <h2 id="receipt" className="text-xl">
        Receipt
      </h2>
      <p className="text-sm">
        {receipt.given ? (
          <span className="text-ink">
            Seen by {receipt.given.name}, {sayMoment(receipt.given.at)}.
          </span>
        ) : (
          <span className="text-quiet">Not initialled yet.</span>
        )}
      </p>
      {receipt.given && receipt.given.since.length > 0 && (
        <div className="text-sm text-rubric">
          ◆ Since then, have it seen again:
          <ul className="list-disc pl-5">
            {receipt.given.since.map((s) => (
              <li key={s}>{s}</li>
            ))}
          </ul>
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        <Link href={`/job/${job.number}/receipt`} className="button" target="_blank">
          Print the receipt
        </Link>
        <Link href={`/job/${job.number}/tag`} className="button" target="_blank">
          Print the tag
        </Link>
        {may && !asking && (
          <button type="button" className="button" onClick={() => setAsking(true)}>
            The customer initials
          </button>
        )}
      </div>
      {asking && <Initialling job={job} onDone={() => setAsking(false)} />}
    </section>
  );
}
