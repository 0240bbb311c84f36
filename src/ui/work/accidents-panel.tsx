'use client';

import { useState } from 'react';
import { sayMoment } from '../dates.ts';
import { FormField } from '../form-field.tsx';
import type { LeafProps } from '../leaves/leaf-props.ts';
import { PhotoStrip } from '../photos/photo-strip.tsx';
import { Trouble } from '../trouble.tsx';
import { useSend } from '../use-send.ts';

type Accident = LeafProps['job']['accidents'][number];

function Words({
  start,
  busy,
  error,
  onKeep,
  onLeave,
}: {
  readonly start: Pick<Accident, 'happened' | 'remedy'>;
  readonly busy: boolean;
  readonly error: string | undefined;
  readonly onKeep: (happened: string, remedy: string) => void;
  readonly onLeave: () => void;
}) {
  const [happened, setHappened] = useState(start.happened);
  const [remedy, setRemedy] = useState(start.remedy);
  return (
    <form
      aria-label="An accident"
      className="space-y-2 border border-plain p-3"
      onSubmit={(e) => {
        e.preventDefault();
        onKeep(happened, remedy);
      }}
    >
      <FormField label="What happened, in words for the customer" error={error}>
        {(w) => (
          <textarea
            {...w}
            className="field"
            rows={2}
            value={happened}
            onChange={(e) => setHappened(e.target.value)}
          />
        )}
      </FormField>
      <FormField label="What was done about it">
        {(w) => (
          <textarea
            {...w}
            className="field"
            rows={2}
            value={remedy}
            onChange={(e) => setRemedy(e.target.value)}
          />
        )}
      </FormField>
      <div className="flex gap-2">
        <button type="submit" className="button button-main" disabled={busy}>
          Write it down
        </button>
        <button type="button" className="button" onClick={onLeave}>
          Leave it
        </button>
      </div>
    </form>
  );
}

/** What went wrong at the bench, with photo and remedy. It stands on the customer's sheet and cannot be taken away. */
export function AccidentsPanel({ job, may }: { readonly job: LeafProps['job']; readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  const [open, setOpen] = useState<number | null>(null);
  const error = trouble?.code === 'invalid' ? trouble.fields['happened'] : undefined;
  const keep = async (one: Accident | null, happened: string, remedy: string) => {
    const done = one
      ? await give('work.change-accident', { accidentId: one.id, version: one.version, happened, remedy })
      : await give('work.accident', { jobId: job.id, lineId: null, happened, remedy });
    if (done) setOpen(null);
  };
  if (job.accidents.length === 0 && !may) return null;
  return (
    <section aria-labelledby="accidents" className="space-y-2">
      <h2 id="accidents" className="text-xl">
        Accidents
      </h2>
      <ul>
        {job.accidents.map((a) => (
          <li key={a.id} className="border-b border-line py-2">
            {open === a.id ? (
              <Words
                start={a}
                busy={busy}
                error={error}
                onKeep={(h, r) => void keep(a, h, r)}
                onLeave={() => setOpen(null)}
              />
            ) : (
              <>
                <p className="text-ink">{a.happened}</p>
                <p className="text-ink">
                  {a.remedy === '' ? <span className="text-rubric">◆ No remedy yet.</span> : a.remedy}
                </p>
                <p className="text-sm text-quiet">
                  {a.by}, {sayMoment(a.at)}
                  {may && (
                    <button
                      type="button"
                      className="ml-2 min-h-11 cursor-pointer underline"
                      onClick={() => setOpen(a.id)}
                    >
                      Write it anew
                    </button>
                  )}
                </p>
              </>
            )}
            <PhotoStrip job={job} target={{ item: `accident:${a.id}` }} about="the accident" may={may} />
          </li>
        ))}
      </ul>
      {may && open === null && (
        <button type="button" className="button" onClick={() => setOpen(0)}>
          Something went wrong
        </button>
      )}
      {open === 0 && (
        <Words
          start={{ happened: '', remedy: '' }}
          busy={busy}
          error={error}
          onKeep={(h, r) => void keep(null, h, r)}
          onLeave={() => setOpen(null)}
        />
      )}
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
    </section>
  );
}
