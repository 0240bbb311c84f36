'use client';

import { useState } from 'react';
import { sayMoment } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import type { BenchJob } from '../../server/bench/load-bench-job.ts';
import { ListChoice } from '../kit/list-choice.tsx';
import { useQueue } from '../data/command-queue.ts';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

type Remark = BenchJob['remarks'][number];
type RemarkedJob = Pick<BenchJob, 'id' | 'people' | 'remarks'>;

function Answering({ remark }: { readonly remark: Remark }) {
  const { give, busy, trouble } = useSend();
  const [answer, setAnswer] = useState('');
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        void give('work.reply', { remarkId: remark.id, version: remark.version, answer });
      }}
    >
      <TextField label={`Answer to ${remark.by}`} className="flex-1" value={answer} onChange={setAnswer} />
      <button type="submit" className="button" disabled={busy || answer.trim() === ''}>
        Answer
      </button>
      <Trouble trouble={trouble} />
    </form>
  );
}

function One({ remark, may }: { readonly remark: Remark; readonly may: boolean }) {
  const open = remark.kind === 'question' && remark.answer === null;
  return (
    <li className="border-b border-line py-2">
      <p className="text-ink">
        {open && <span className="text-rubric">◆ </span>}
        {remark.words}
      </p>
      <p className="text-sm text-quiet">
        {remark.by}
        {remark.customer && ', the customer'}
        {remark.to && ` asks ${remark.to}`}, {sayMoment(remark.at)}
      </p>
      {remark.answer !== null && (
        <p className="ml-4 border-l-2 border-line pl-3 text-ink">
          {remark.answer}{' '}
          <span className="text-sm text-quiet">
            {remark.answeredBy}
            {remark.answeredAt && `, ${sayMoment(remark.answeredAt)}`}
          </span>
        </p>
      )}
      {open && may && <Answering remark={remark} />}
    </li>
  );
}

/** A note, or a question to somebody. */
function Writing({ job }: { readonly job: RemarkedJob }) {
  const { give, busy, trouble } = useSend();
  const [words, setWords] = useState('');
  const [to, setTo] = useState('');
  const write = async () => {
    const done = await give('work.remark', {
      jobId: job.id,
      lineId: null,
      kind: to === '' ? 'note' : 'question',
      words,
      toPerson: to === '' ? null : Number(to),
    });
    if (!done) return;
    setWords('');
    setTo('');
  };
  return (
    <form
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void write();
      }}
    >
      <TextField
        label="Note, or a question; @name rings their bell"
        rows={2}
        maxLength={2000}
        value={words}
        onChange={setWords}
      />
      <div className="flex items-end gap-2">
        <FormField label="Ask" className="flex-1">
          {(w) => (
            <ListChoice
              {...w}
              value={to}
              items={[
                { value: '', name: 'nobody: it is a note' },
                ...job.people.map((p) => ({ value: String(p.id), name: p.name })),
              ]}
              onChange={setTo}
            />
          )}
        </FormField>
        <button type="submit" className="button" disabled={busy || words.trim() === ''}>
          {to === '' ? 'Write it down' : 'Ask'}
        </button>
      </div>
      <Trouble trouble={trouble} />
    </form>
  );
}

/** Notes on the job, and questions to a colleague or from the customer, with the answers that stay. */
export function RemarksPanel({ job, may }: { readonly job: RemarkedJob; readonly may: boolean }) {
  const unsent = useQueue().filter((q) => q.name === 'work.remark' && q.input['jobId'] === job.id);
  if (job.remarks.length === 0 && !may) return null;
  return (
    <section aria-labelledby="remarks" className="space-y-2">
      <h2 id="remarks" className="text-xl">
        Notes and questions
      </h2>
      <ul>
        {job.remarks.map((r) => (
          <One key={r.id} remark={r} may={may} />
        ))}
        {unsent.map((q) => (
          <li key={q.id} className="border-b border-line py-2 text-ink">
            {String(q.input['words'])} <span className="text-sm text-quiet">unsent</span>
          </li>
        ))}
      </ul>
      {may && <Writing job={job} />}
    </section>
  );
}
