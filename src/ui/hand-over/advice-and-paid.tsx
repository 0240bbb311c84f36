'use client';

import { useState } from 'react';
import { formatMoney } from '../../core/money/money.ts';
import { sayMoment } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import type { LeafProps } from '../job/leaf-props.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';

/** Advice in the bench's own words, and the day of the next check. */
export function Advice({ job, may }: { readonly job: LeafProps<'sheet'>['job']; readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  const { advice, nextCheck } = job.sheet.content;
  const edit = useEdit(
    { advice: advice.join('\n'), nextCheck: nextCheck ?? '' },
    job.handOver.version,
    `advice:${job.id}`,
  );
  const now = edit.value;
  return (
    <form
      aria-label="Advice"
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void edit.save((value, version) =>
          give('hand-over.advice', {
            jobId: job.id,
            version,
            advice: value.advice,
            nextCheck: value.nextCheck === '' ? null : value.nextCheck,
          }),
        );
      }}
    >
      <FormField
        label={job.handOver.adviceWritten === null ? 'Advice (Rubrica’s words; change them)' : 'Advice'}
      >
        {(w) => (
          <textarea
            {...w}
            className="field"
            rows={4}
            readOnly={!may}
            value={now.advice}
            onChange={(e) => edit.set({ advice: e.target.value })}
          />
        )}
      </FormField>
      <div className="flex flex-wrap items-end gap-2">
        <FormField
          label="Next check"
          error={trouble?.code === 'invalid' ? trouble.fields['nextCheck'] : undefined}
        >
          {(w) => (
            <input
              {...w}
              type="date"
              className="field"
              readOnly={!may}
              value={now.nextCheck}
              onChange={(e) => edit.set({ nextCheck: e.target.value })}
            />
          )}
        </FormField>
        <a className="button" href={`/api/job/${job.number}/check`} download={`check-${job.number}.ics`}>
          In the calendar
        </a>
        {may && (
          <button
            type="submit"
            className="button"
            disabled={busy || !edit.changed || edit.conflicts.length > 0}
          >
            Keep it
          </button>
        )}
      </div>
      <ConflictChoice edit={edit} names={{ advice: 'Advice', nextCheck: 'Next check' }} />
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
    </form>
  );
}

const HOW = { cash: 'Cash', card: 'Card', transfer: 'Transfer', 'on account': 'On account' } as const;

/** What was paid and how: written down, nothing more. */
export function Paid({ job }: Pick<LeafProps<'sheet'>, 'job'>) {
  const { give, busy, trouble } = useSend();
  const { paid } = job.handOver;
  const [how, setHow] = useState<keyof typeof HOW>('card');
  const due = job.sheet.content.price.toPay;
  const [text, setText] = useState((due / 100).toFixed(2));
  const fine = /^\d{1,6}(?:[.,]\d{1,2})?$/.test(text.trim());
  return (
    <section aria-labelledby="paid" className="space-y-2">
      <h2 id="paid" className="text-xl">
        Payment
      </h2>
      {paid ? (
        <p className="text-ink">
          {formatMoney(paid.amount, job.shop.currency)}, {paid.how}
          {paid.at && `, ${sayMoment(paid.at)}`}
          {paid.amount !== due && ` (to pay: ${formatMoney(due, job.shop.currency)})`}
        </p>
      ) : (
        <form
          className="space-y-2"
          onSubmit={(e) => {
            e.preventDefault();
            const amountMinor = Math.round(Number(text.trim().replace(',', '.')) * 100);
            if (fine) void give('hand-over.paid', { jobId: job.id, amountMinor, how, over: null });
          }}
        >
          <PillChoice legend="How" value={how} options={HOW} onChange={setHow} />
          <div className="flex items-end gap-2">
            <FormField
              label={`Amount, ${job.shop.currency}`}
              error={fine ? undefined : 'A number, like 120 or 12.50'}
            >
              {(w) => (
                <input
                  {...w}
                  className="field"
                  inputMode="decimal"
                  value={text}
                  onChange={(e) => setText(e.target.value)}
                />
              )}
            </FormField>
            <button type="submit" className="button" disabled={busy || !fine}>
              Write it down
            </button>
          </div>
          <p className="text-sm text-quiet">Rubrica writes down what was paid; it moves no money.</p>
        </form>
      )}
      <Trouble trouble={trouble} />
    </section>
  );
}
