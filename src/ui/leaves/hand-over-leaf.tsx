'use client';

import { useState } from 'react';
import { BENCH_CHECKS } from '../../core/job/bench-check.ts';
import { BeforeAfter } from '../before-after.tsx';
import { sayMoment } from '../dates.ts';
import { FormField } from '../form-field.tsx';
import { SignatureDrawing, SignatureField, type Strokes } from '../signature.tsx';
import { Trouble } from '../trouble.tsx';
import { useSend } from '../use-send.ts';
import type { CommandInput } from '../../contracts/commands.ts';
import type { LeafProps } from './leaf-props.ts';

function BenchCheck({ job, may }: { readonly job: LeafProps['job']; readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  const { checks, exception, version, checkedBy, checkedAt } = job.handOver;
  const [text, setText] = useState(exception);
  const keep = (next: Record<string, boolean>) =>
    give('hand-over.check', { jobId: job.id, version, checks: next, exception: text });
  return (
    <section aria-labelledby="check">
      <h2 id="check" className="text-xl">
        Bench check
      </h2>
      {BENCH_CHECKS.map((c) => (
        <label key={c.key} className="flex min-h-11 items-center gap-3">
          <input
            type="checkbox"
            className="h-6 w-6 shrink-0"
            checked={checks[c.key] === true}
            disabled={!may || busy}
            onChange={(e) => void keep({ ...checks, [c.key]: e.target.checked })}
          />
          {c.title}
        </label>
      ))}
      <FormField label="What is out of band or not read, and why that is right">
        {(w) => (
          <textarea
            {...w}
            className="field"
            rows={2}
            value={text}
            readOnly={!may}
            onChange={(e) => setText(e.target.value)}
            onBlur={() => text !== exception && void keep({ ...checks })}
          />
        )}
      </FormField>
      {checkedAt && (
        <p className="text-ink">
          Checked by {checkedBy}, {sayMoment(checkedAt)}
        </p>
      )}
      <Trouble trouble={trouble} />
    </section>
  );
}

type Item = LeafProps['job']['items'][number];

/** One thing that came with the instrument: given back, or why it is not there. */
function Thing({
  item,
  may,
  onGive,
}: {
  readonly item: Item;
  readonly may: boolean;
  readonly onGive: (input: CommandInput<'hand-over.return'>) => void;
}) {
  const [why, setWhy] = useState(item.absence);
  const { id: itemId, version } = item;
  return (
    <div className="grid grid-cols-2 items-center gap-3 border-b border-line py-1">
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="h-6 w-6 shrink-0"
          checked={item.returned}
          disabled={!may}
          onChange={(e) => onGive({ itemId, version, returned: e.target.checked, absence: item.absence })}
        />
        {item.bag !== null && <b className="shrink-0 text-sm font-normal text-quiet">bag {item.bag}</b>}
        {item.name}
      </label>
      {!item.returned && (
        <input
          className="field"
          aria-label={`Why ${item.name} is not given back`}
          placeholder="or why it is not here"
          maxLength={200}
          value={why}
          readOnly={!may}
          onChange={(e) => setWhy(e.target.value)}
          onBlur={() => {
            if (why.trim() !== item.absence)
              onGive({ itemId, version, returned: false, absence: why.trim() });
          }}
        />
      )}
    </div>
  );
}

function Things({ job, may }: { readonly job: LeafProps['job']; readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  if (job.items.length === 0) return null;
  return (
    <section aria-labelledby="back">
      <h2 id="back" className="text-xl">
        Given back
      </h2>
      {job.items.map((i) => (
        <Thing
          key={i.id}
          item={i}
          may={may && !busy}
          onGive={(input) => void give('hand-over.return', input)}
        />
      ))}
      <Trouble trouble={trouble} />
    </section>
  );
}

function Signing({ job }: Pick<LeafProps, 'job'>) {
  const { give, busy, trouble } = useSend();
  const [signer, setSigner] = useState(job.customer.name);
  const [strokes, setStrokes] = useState<Strokes | null>(null);
  const [agreed, setAgreed] = useState(false);
  const ready = strokes !== null || agreed;
  return (
    <section aria-labelledby="sign">
      <h2 id="sign" className="text-xl">
        The customer signs
      </h2>
      <FormField label="Name of who signs">
        {(w) => <input {...w} className="field" value={signer} onChange={(e) => setSigner(e.target.value)} />}
      </FormField>
      <div className="py-2">
        <SignatureField onChange={setStrokes} />
      </div>
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="h-6 w-6 shrink-0"
          checked={agreed}
          onChange={(e) => setAgreed(e.target.checked)}
        />
        Signs by name, without drawing
      </label>
      <Trouble trouble={trouble} />
      <button
        type="button"
        className="button button-main mt-2"
        disabled={busy || !ready}
        onClick={() =>
          void give('hand-over.sign', {
            jobId: job.id,
            version: job.handOver.version,
            signer,
            signature: strokes,
          })
        }
      >
        Sign and close the job
      </button>
    </section>
  );
}

function Seal({ job }: Pick<LeafProps, 'job'>) {
  const { seal, handOver } = job;
  if (seal.kind === 'open') return null;
  const whole = seal.kind === 'whole';
  return (
    <section aria-labelledby="seal" className={`border-2 p-4 ${whole ? 'border-seal' : 'border-rubric'}`}>
      <h2 id="seal" className={`text-xl ${whole ? 'text-seal' : 'text-rubric'}`}>
        {whole ? '✒ Signed and sealed' : '◆ Changed since it was signed'}
      </h2>
      <p>
        {handOver.signer}, {handOver.signedAt && sayMoment(handOver.signedAt)}
      </p>
      {handOver.signature && <SignatureDrawing json={handOver.signature} />}
      {seal.kind === 'broken' && (
        <p className="text-rubric">Differs from what was signed: {seal.changed.join(', ')}.</p>
      )}
      <p className="font-mono text-xs break-all text-quiet">SHA-256 {seal.digest}</p>
      <a href={`/api/job/${job.number}/sheet`} className="button mt-2" target="_blank" rel="noreferrer">
        Customer’s sheet (PDF)
      </a>
    </section>
  );
}

/** Before and after, the bench check, what goes back, and the signature that seals it. */
export function HandOverLeaf({ job, allowed }: LeafProps) {
  return (
    <div className="grid gap-8 lg:grid-cols-[1fr_25rem]">
      <section aria-labelledby="before">
        <h2 id="before" className="mb-1 text-xl">
          Before and after
        </h2>
        <BeforeAfter job={job} />
        <a href={`/api/job/${job.number}/zip`} className="button mt-4" download={`job-${job.number}.zip`}>
          The whole job as a zip
        </a>
      </section>
      <div className="space-y-6">
        <Seal job={job} />
        <BenchCheck key={job.handOver.exception} job={job} may={allowed.handOver} />
        <Things job={job} may={allowed.handOver} />
        {allowed.handOver && <Signing job={job} />}
      </div>
    </div>
  );
}
