'use client';

import { useState } from 'react';
import { formatMoney } from '../../core/money/currency.ts';
import { total } from '../../core/money/money.ts';
import { withinLimit } from '../../core/work/limit.ts';
import type { OperationId } from '../../core/catalogue/operation-ids.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import type { LeafProps } from '../job/leaf-props.ts';
import { ListChoice } from '../kit/list-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { SaidBeside } from './said-beside.tsx';
import { useSend } from '../data/use-send.ts';

/** What is typed of something found inside, what it comes to, and how the customer is asked. */
function useChange(job: LeafProps<'operations'>['job']) {
  const { give, busy, trouble } = useSend();
  const [open, setOpen] = useState(false);
  const [found, setFound] = useState('');
  const [operation, setOperation] = useState<OperationId>(job.operations[0]?.id ?? 'tighten');
  const [stops, setStops] = useState('');
  const op = job.operations.find((o) => o.id === operation);
  const price = op ? total([op], job.shop.tax).toPay : 0;
  const fits = op !== undefined && withinLimit(job.lines, op, job.limit, job.shop.tax, job.discount);
  const standing = job.lines.filter((l) => l.approval === 'yes' && l.step !== 'finished');
  const ask = async (within: boolean) => {
    const done = await give('work.ask-change', {
      jobId: job.id,
      operation,
      detail: '',
      found,
      stops: stops === '' ? null : Number(stops),
      withinLimit: within,
    });
    if (!done) return;
    setOpen(false);
    setFound('');
    setStops('');
  };
  return {
    open,
    setOpen,
    found,
    setFound,
    operation,
    setOperation,
    stops,
    setStops,
    price,
    fits,
    standing,
    ask,
    busy,
    trouble,
  };
}

/** The work it takes, and which line stands still until the customer has answered. */
function WhatItTakes({
  job,
  change: { operation, setOperation, stops, setStops, standing },
}: Pick<LeafProps<'operations'>, 'job'> & { readonly change: ReturnType<typeof useChange> }) {
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <FormField label="What it takes">
        {(w) => (
          <ListChoice
            {...w}
            value={operation}
            items={job.operations.map((o) => ({ value: o.id, name: o.name }))}
            onChange={(v) => setOperation(v as OperationId)}
          />
        )}
      </FormField>
      <FormField label="Stands still until answered">
        {(w) => (
          <ListChoice
            {...w}
            value={stops}
            items={[
              { value: '', name: 'nothing: the rest goes on' },
              ...standing.map((l) => ({ value: String(l.id), name: l.title })),
            ]}
            onChange={setStops}
          />
        )}
      </FormField>
    </div>
  );
}

/** Something found while inside: what, what it takes, and which line stands still until the customer has answered. */
export function ChangeRequest({ job }: Pick<LeafProps<'operations'>, 'job'>) {
  const change = useChange(job);
  const { open, setOpen, found, setFound } = change;
  const { price, fits, ask, busy, trouble } = change;
  if (!open)
    return (
      <button type="button" className="button" onClick={() => setOpen(true)}>
        Found something inside
      </button>
    );
  const field = (name: string) => (trouble?.code === 'invalid' ? trouble.fields[name] : undefined);
  return (
    <form
      aria-label="Found something inside"
      className="space-y-2 border border-plain p-4"
      onSubmit={(e) => {
        e.preventDefault();
        void ask(false);
      }}
    >
      <h2 className="text-xl">Found something inside</h2>
      <TextField label="What was found" error={field('found')} rows={2} value={found} onChange={setFound} />
      <WhatItTakes job={job} change={change} />
      <SaidBeside says={job.operations.find((o) => o.id === change.operation)?.beside} />
      <p className="text-sm text-quiet">
        {formatMoney(price, job.shop.currency)} with tax.{' '}
        {job.limit === null
          ? 'No limit was named: the customer is asked.'
          : fits
            ? `Inside the limit of ${formatMoney(job.limit, job.shop.currency)}.`
            : `Over the limit of ${formatMoney(job.limit, job.shop.currency)}: the customer is asked.`}
      </p>
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="button button-main" disabled={busy}>
          Ask the customer
        </button>
        {fits && (
          <button type="button" className="button" disabled={busy} onClick={() => void ask(true)}>
            Go on, inside the limit
          </button>
        )}
        <button type="button" className="button" onClick={() => setOpen(false)}>
          Leave it
        </button>
      </div>
    </form>
  );
}
