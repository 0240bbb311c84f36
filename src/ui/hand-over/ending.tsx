'use client';

import { useState } from 'react';
import {
  ENDS,
  SIGNED_ENDS,
  UNSIGNED_ENDS,
  type SignedEnd,
  type UnsignedEnd,
} from '../../core/hand-over/ends.ts';
import { sayMoment } from '../kit/dates.ts';
import { AskWhy } from '../kit/ask-why.tsx';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import type { LeafProps } from '../job/leaf-props.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';

type Props = Pick<LeafProps, 'job'> & { readonly may: boolean };

const SIGNED = Object.fromEntries(SIGNED_ENDS.map((e) => [e, ENDS[e].name])) as Record<SignedEnd, string>;

/** Ends the job without the customer’s name: who said so, or where it goes. */
function Unsigned({ job }: Pick<Props, 'job'>) {
  const { give, busy, trouble } = useSend();
  const stock = job.handOver.floor;
  const ends = UNSIGNED_ENDS.filter((e) => e !== 'floor' || stock);
  const [end, setEnd] = useState<UnsignedEnd>(stock ? 'floor' : 'called-off');
  const [note, setNote] = useState('');
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  return (
    <form
      aria-label="It ends without a signature"
      className="space-y-2 border border-line p-3"
      onSubmit={(e) => {
        e.preventDefault();
        void give('hand-over.end', { jobId: job.id, version: job.handOver.version, ending: end, note });
      }}
    >
      <fieldset>
        <legend className="label">It ends otherwise</legend>
        {ends.map((e) => (
          <label key={e} className="flex min-h-11 items-center gap-3">
            <input
              type="radio"
              name="end"
              className="h-5 w-5 shrink-0"
              checked={end === e}
              onChange={() => setEnd(e)}
            />
            <span>
              {ENDS[e].name} <span className="text-sm text-quiet">{ENDS[e].hint}</span>
            </span>
          </label>
        ))}
      </fieldset>
      <TextField
        label={ENDS[end].asks}
        error={fields['note']}
        rows={2}
        maxLength={400}
        value={note}
        onChange={setNote}
      />
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
      <button type="submit" className="button" disabled={busy}>
        End the job without a signature
      </button>
    </form>
  );
}

/** The ends without a signature, behind a line that says so; new stock begins with them. */
function Otherwise({ job }: Pick<Props, 'job'>) {
  const [open, setOpen] = useState(job.handOver.floor);
  return (
    <>
      <button
        type="button"
        className="min-h-11 cursor-pointer text-left text-sm underline"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        It ends without a signature: called off, another shop, never collected
      </button>
      {open && <Unsigned job={job} />}
    </>
  );
}

/** How the job ends: done, as it is, or without a signature. */
export function Ending({ job, may }: Props) {
  const { give, busy, trouble } = useSend();
  const { said, is, note, dropped } = job.handOver.ending;
  const edit = useEdit(
    { ending: said === 'as-it-is' ? said : ('done' as SignedEnd), note },
    job.handOver.version,
    `ending:${job.id}`,
  );
  const keep = () =>
    void edit.save((value, version) => give('hand-over.ending', { jobId: job.id, version, ...value }));
  const shown = is === 'as-it-is' && edit.value.ending === 'done' ? 'as-it-is' : edit.value.ending;
  return (
    <section aria-labelledby="ending" className="space-y-2">
      <h2 id="ending" className="text-xl">
        How it ends
      </h2>
      <PillChoice
        quiet
        legend="How it ends"
        value={shown}
        options={SIGNED}
        disabled={!may || busy}
        onChange={(ending) => {
          edit.set({ ending });
          keep();
        }}
      />
      <p className="text-sm text-quiet">{ENDS[shown].hint}.</p>
      {is === 'as-it-is' && said === 'done' && (
        <p className="text-sm">Nothing was done and nothing is agreed: it goes home as it is.</p>
      )}
      {dropped.length > 0 && <p className="text-sm">Not done any more: {dropped.join(', ')}.</p>}
      {shown === 'as-it-is' && (
        <FormField label={ENDS['as-it-is'].asks}>
          {(w) => (
            <textarea
              {...w}
              className="field"
              rows={2}
              maxLength={400}
              readOnly={!may}
              value={edit.value.note}
              onChange={(e) => edit.set({ note: e.target.value })}
              onBlur={() => edit.changed && keep()}
            />
          )}
        </FormField>
      )}
      <ConflictChoice edit={edit} names={{ ending: 'How it ends', note: 'Why' }} />
      <Trouble trouble={edit.conflicts.length > 0 ? null : trouble} />
      {may && <Otherwise job={job} />}
    </section>
  );
}

/** A job that ended without a signature: how, who ended it, and its way back. */
export function Ended({ job, may }: Props) {
  const { give, busy, trouble } = useSend();
  const { is, note, at, by } = job.handOver.ending;
  if (at === null) return null;
  return (
    <section aria-labelledby="ended" className="space-y-2 border-2 border-plain p-4">
      <h2 id="ended" className="text-xl">
        {ENDS[is].name}
      </h2>
      <p className="text-ink">{note}</p>
      <p className="text-sm text-quiet">
        {by}, {sayMoment(at)}. Nobody has signed; nothing is sealed.
      </p>
      {may && (
        <AskWhy
          name="Open it again"
          label="It goes on after all: why"
          button="Open it again"
          busy={busy}
          onSend={(why) => void give('hand-over.reopen', { jobId: job.id, why })}
        />
      )}
      <Trouble trouble={trouble} />
    </section>
  );
}
