'use client';

import { useState } from 'react';
import { sayMoment } from '../kit/dates.ts';
import { TextField } from '../kit/text-field.tsx';
import type { LeafProps } from '../job/leaf-props.ts';
import { PhotoStrip } from '../photos/photo-strip.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';

type Accident = LeafProps['job']['accidents'][number];

interface WordsProps {
  /** the one that is written anew, or null for a new one */
  readonly one: Accident | null;
  readonly jobId: number;
  readonly onClose: () => void;
}

/** What is written of an accident, and how it is kept or left. */
function useWords({ one, jobId, onClose }: WordsProps) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit(
    { happened: one?.happened ?? '', remedy: one?.remedy ?? '' },
    one?.version ?? 0,
    `accident:${jobId}:${one?.id ?? 'new'}`,
  );
  const leave = () => {
    edit.reset();
    onClose();
  };
  const keep = async () => {
    const done = await edit.save(async (value, version) => {
      if (one) return give('work.change-accident', { accidentId: one.id, version, ...value });
      const made = await give('work.accident', { jobId, lineId: null, ...value });
      return made && { version: 0 };
    });
    if (done) leave();
  };
  return { edit, keep, leave, busy, trouble };
}

function Words(props: WordsProps) {
  const { edit, keep, leave, busy, trouble } = useWords(props);
  const { happened, remedy } = edit.value;
  const error = trouble?.code === 'invalid' ? trouble.fields['happened'] : undefined;
  return (
    <form
      aria-label="An accident"
      className="space-y-2 border border-plain p-3"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <TextField
        label="What happened, in words for the customer"
        error={error}
        rows={2}
        value={happened}
        onChange={(text) => edit.set({ happened: text })}
      />
      <TextField
        label="What was done about it"
        rows={2}
        value={remedy}
        onChange={(text) => edit.set({ remedy: text })}
      />
      <div className="flex gap-2">
        <button type="submit" className="button button-main" disabled={busy || edit.conflicts.length > 0}>
          Write it down
        </button>
        <button type="button" className="button" onClick={leave}>
          Leave it
        </button>
      </div>
      <ConflictChoice edit={edit} names={{ happened: 'What happened', remedy: 'What was done about it' }} />
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
    </form>
  );
}

/** What went wrong at the bench, with photo and remedy. It stands on the customer's sheet and cannot be taken away. */
export function AccidentsPanel({ job, may }: { readonly job: LeafProps['job']; readonly may: boolean }) {
  const [open, setOpen] = useState<number | null>(null);
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
              <Words one={a} jobId={job.id} onClose={() => setOpen(null)} />
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
      {open === 0 && <Words one={null} jobId={job.id} onClose={() => setOpen(null)} />}
    </section>
  );
}
