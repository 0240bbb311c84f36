'use client';

import { useState } from 'react';
import { sayMoment } from '../kit/dates.ts';
import { TextField } from '../kit/text-field.tsx';
import type { LeafProps } from '../job/leaf-props.ts';
import { SignatureDrawing, SignatureField, type Strokes } from '../kit/signature.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useRefresh } from '../data/refresh.ts';
import { useSend } from '../data/use-send.ts';

/** The customer plays, then signs what is shown. */
export function Signing({ job }: Pick<LeafProps<'sheet' | 'seal'>, 'job'>) {
  const { give, busy, trouble } = useSend();
  const [signer, setSigner] = useState(job.customer.name);
  const [strokes, setStrokes] = useState<Strokes | null>(null);
  const [agreed, setAgreed] = useState(false);
  const ready = strokes !== null || agreed;
  return (
    <section aria-labelledby="sign">
      <h2 id="sign" className="text-xl">
        {job.handOver.ending.is === 'done' ? 'The customer plays, then signs' : 'The customer signs'}
      </h2>
      <p className="text-sm text-quiet">
        They put their name to the sheet beside this:{' '}
        <span className="font-mono text-xs">{job.sheet.digest.slice(0, 16)}…</span>
      </p>
      <TextField label="Name of who signs" value={signer} onChange={setSigner} />
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
            shown: job.sheet.digest,
          })
        }
      >
        Sign and close the job
      </button>
    </section>
  );
}

/** Compares what was signed with what stands in the house now, once more, and says so. */
function Verify({ whole }: { readonly whole: boolean }) {
  const { refresh, refreshing } = useRefresh();
  const [asked, setAsked] = useState(false);
  return (
    <p className="flex flex-wrap items-center gap-2">
      <button
        type="button"
        className="button"
        disabled={refreshing}
        onClick={() => {
          setAsked(true);
          void refresh();
        }}
      >
        Verify
      </button>
      <span role="status">
        {asked && !refreshing && (whole ? 'Sheet and record agree.' : 'They do not agree: see above.')}
      </span>
    </p>
  );
}

/** The seal of a signed job, whole or broken. */
export function Seal({ job }: Pick<LeafProps<'sheet' | 'seal'>, 'job'>) {
  const { seal, handOver } = job;
  if (seal.kind === 'open') return null;
  const whole = seal.kind === 'whole';
  return (
    <section aria-labelledby="seal" className={`border-2 p-4 ${whole ? 'border-seal' : 'border-rubric'}`}>
      <h2 id="seal" className={`text-xl ${whole ? 'text-seal' : 'text-rubric'}`}>
        {whole ? '✒ Signed and sealed' : '◆ Changed since it was signed'}
      </h2>
      {handOver.signedAt && (
        <p>
          {handOver.signer}, {sayMoment(handOver.signedAt)}
        </p>
      )}
      {handOver.signature && <SignatureDrawing json={handOver.signature} />}
      {seal.kind === 'broken' && (
        <p className="text-rubric">Differs from what was signed: {seal.changed.join(', ')}.</p>
      )}
      {seal.kind === 'whole' && seal.withdrawn && (
        <p>
          Withdrawn since, {sayMoment(seal.withdrawn.at)}: {seal.withdrawn.what.join(', ')}. What is left is
          as it was signed.
        </p>
      )}
      <p className="font-mono text-xs break-all text-quiet">SHA-256 {seal.digest}</p>
      <Verify whole={whole} />
      <a href={`/api/job/${job.number}/sheet`} className="button mt-2" target="_blank" rel="noreferrer">
        Customer’s sheet (PDF)
      </a>
    </section>
  );
}

/** The customer would have something otherwise: the signed job opens again, without a charge inside the window. */
export function Tweak({ job }: Pick<LeafProps<'sheet' | 'seal'>, 'job'>) {
  const { give, busy, trouble } = useSend();
  const [words, setWords] = useState('');
  return (
    <form
      aria-label="A tweak"
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void give('hand-over.tweak', { jobId: job.id, words });
      }}
    >
      <TextField
        label={`They would have something otherwise (no charge within ${job.handOver.tweakDays} days)`}
        error={trouble?.code === 'invalid' ? trouble.fields['words'] : undefined}
        rows={2}
        value={words}
        onChange={setWords}
      />
      <button type="submit" className="button" disabled={busy || words.trim() === ''}>
        Open the job again
      </button>
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
    </form>
  );
}

/** Signatures the job was opened again after. */
export function Earlier({ job }: Pick<LeafProps<'sheet' | 'seal'>, 'job'>) {
  if (job.earlier.length === 0) return null;
  return (
    <section aria-label="Signed before" className="border border-seal p-3 text-sm">
      {job.earlier.map((e) => (
        <p key={e.number}>
          <span className="text-seal">✒ {e.number}. signed</span> by {e.signer}, {sayMoment(e.signedAt)};
          then: <span className="text-ink">{e.tweak}</span> {e.free ? '(no charge)' : '(charged)'}{' '}
          <span className="font-mono text-xs break-all text-quiet">{e.digest}</span>
        </p>
      ))}
    </section>
  );
}
