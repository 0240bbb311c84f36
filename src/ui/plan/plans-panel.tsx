'use client';

import { useState } from 'react';
import { formatMoney, readAmount, sayAmount, signOf } from '../../core/money/currency.ts';
import { sizeWords } from '../../core/units/words-in.ts';
import type { Plan, Plans } from '../../core/plan/solve/plans.ts';
import { WORN_PARTS } from '../../core/catalogue/operation-record.ts';
import type { Moves } from '../../core/whatif/moves.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useWords } from '../data/display-unit.ts';
import { useSend } from '../data/use-send.ts';

const STEP_MARKS = { do: '■', 'first-cut': '▸', read: '◇', wait: '◷' } as const;

function Calls({ plan }: { readonly plan: Plan }) {
  const words = useWords();
  if (plan.calls.length === 0) return null;
  return (
    <details>
      <summary className="inline-flex min-h-11 cursor-pointer items-center underline">
        Why so, and what would have to be true for another choice
      </summary>
      {plan.calls.map((c) => (
        <section key={c.question} className="pb-2 text-sm">
          <h4 className="font-bold">
            {c.question} {c.answer}.
          </h4>
          <ul className="space-y-1">
            {c.reasons.map((r) => (
              <li key={r.operation}>
                <b>{r.in ? '● in' : '○ out'}</b> {r.name}: {words(r.because)} <i>{words(r.would)}</i>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </details>
  );
}

function Steps({ plan }: { readonly plan: Plan }) {
  const words = useWords();
  if (plan.steps.length === 0) return null;
  return (
    <details>
      <summary className="inline-flex min-h-11 cursor-pointer items-center underline">
        {plan.steps.length} steps, in their order
      </summary>
      <ol className="space-y-1 text-sm">
        {plan.steps.map((s, i) => (
          <li key={i} className={s.kind === 'do' ? '' : 'pl-5'}>
            <span aria-hidden>{STEP_MARKS[s.kind]}</span> {words(s.says)}
            {s.kind === 'do' &&
              s.cautions.map((c) => (
                <span key={c} className="block pl-5 text-quiet">
                  ⚠ {c}
                </span>
              ))}
          </li>
        ))}
      </ol>
    </details>
  );
}

/** What is taken off for good, part by part. */
const takenOff = ({ removed }: Plan): string => {
  const some = WORN_PARTS.filter((w) => removed[w] > 0).map((w) => `${w} ${sizeWords(removed[w])}`);
  return some.length === 0 ? '' : `; off for good: ${some.join(', ')}`;
};

/** What a plan costs, does, leaves undone and warns of. */
function WhatItDoes({ plan, money }: { readonly plan: Plan; readonly money: (v: number) => string }) {
  const words = useWords();
  return (
    <>
      <p>
        <b>{money(plan.cost.price.likely)}</b>
        {plan.cost.price.low !== plan.cost.price.high &&
          ` (${money(plan.cost.price.low)}–${money(plan.cost.price.high)})`}
        , {plan.cost.minutes.likely} minutes, {plan.days} {plan.days === 1 ? 'day' : 'days'}
        {words(takenOff(plan))}
      </p>
      <ul>
        {plan.operations.map((o) => (
          <li key={o.id}>
            <b>{o.name}.</b> {o.says !== 'Goes with the others.' && words(o.says)}
          </li>
        ))}
        {plan.operations.length === 0 && <li>Nothing is done.</li>}
      </ul>
      {plan.undone.length > 0 && (
        <div className="text-sm">
          <b className="text-rubric">◆ Stays undone:</b>
          <ul>
            {plan.undone.map((u) => (
              <li key={u.what}>
                {u.what}: {words(u.why)}
              </li>
            ))}
          </ul>
        </div>
      )}
      {plan.waits.map((w) => (
        <p key={w} className="text-sm">
          {w}
        </p>
      ))}
      {plan.warns.map((w) => (
        <p key={w} className="text-sm text-rubric">
          ◆ {words(w)}
        </p>
      ))}
    </>
  );
}

/** One plan: what is done, what is left, what it costs, and its reasons. */
function PlanCard({
  job,
  plan,
  may,
  onTry,
}: Pick<LeafProps<'plan'>, 'job'> & {
  readonly plan: Plan;
  readonly may: boolean;
  readonly onTry: (moves: Moves) => void;
}) {
  const { give, busy, trouble } = useSend();
  const [reason, setReason] = useState('');
  const { choice } = job.plan;
  const chosen = choice?.plan === plan.id;
  const money = (v: number) => formatMoney(v, job.shop.currency);
  const choose = () =>
    give('plan.choose', { jobId: job.id, plan: plan.id, reason, version: choice?.version ?? 0 });
  return (
    <article
      aria-label={plan.name}
      className={`space-y-2 border p-3 ${chosen ? 'border-2 border-plain' : 'border-line'}`}
    >
      <h3 className="text-lg">
        {plan.name}
        {chosen && <span className="text-sm text-ink"> · chosen by {choice.by}</span>}
      </h3>
      <WhatItDoes plan={plan} money={money} />
      <Steps plan={plan} />
      <Calls plan={plan} />
      <div className="flex flex-wrap items-end gap-2">
        <button type="button" className="button" onClick={() => onTry(plan.moves)}>
          See it on the neck
        </button>
        {may && !chosen && (
          <>
            <TextField
              label="Why this one"
              className="min-w-40 flex-1"
              maxLength={400}
              value={reason}
              onChange={setReason}
            />
            <button
              type="button"
              className="button button-main"
              disabled={busy}
              onClick={() => void choose()}
            >
              Go by this plan
            </button>
          </>
        )}
      </div>
      <Trouble trouble={trouble} />
    </article>
  );
}

/** Says what it is worth: it decides what may be spent on it. */
function WorthField({ job, may }: Pick<LeafProps<'plan'>, 'job'> & { readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  const [text, setText] = useState(
    job.plan.worth === null ? '' : sayAmount(job.plan.worth, job.shop.currency),
  );
  const read = readAmount(text, job.shop.currency);
  const worth = read.ok ? read.value : undefined;
  const keep = () =>
    worth !== undefined &&
    void give('plan.worth', { jobId: job.id, worthMinor: worth, version: job.instrument.version });
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        keep();
      }}
    >
      <TextField
        label={`What it is worth, ${signOf(job.shop.currency)}`}
        error={read.ok ? undefined : read.error}
        className="w-44"
        inputMode="decimal"
        readOnly={!may}
        placeholder="not known"
        value={text}
        onChange={setText}
      />
      {may && (
        <button
          type="submit"
          className="button"
          disabled={busy || worth === undefined || worth === job.plan.worth}
        >
          Keep
        </button>
      )}
      <Trouble trouble={trouble} />
    </form>
  );
}

/** The plans Rubrica found, beside each other; the tech chooses, and the reason stays. */
export function PlansPanel({
  job,
  may,
  plans,
  ms,
  onTry,
}: Pick<LeafProps<'plan'>, 'job'> & {
  readonly may: boolean;
  readonly plans: Plans | null;
  readonly ms: number;
  readonly onTry: (moves: Moves) => void;
}) {
  const words = useWords();
  if (!plans) return <p role="status">Looking at every way to set it up …</p>;
  const same = (a: Plan, b: Plan) => JSON.stringify(a.operations) === JSON.stringify(b.operations);
  const shown = plans.plans.filter((p, i) => !plans.plans.slice(0, i).some((q) => same(p, q)));
  return (
    <section aria-label="Plans" className="space-y-3">
      <div className="flex flex-wrap items-end gap-4">
        <WorthField key={job.instrument.version} job={job} may={may} />
        <p className="self-center text-sm text-quiet">
          {plans.looked} ways looked at in {Math.round(ms)} ms: all there are among the sizes considered.
          {plans.assumed.length > 0 && ` Not read, taken at its aim: ${plans.assumed.join(', ')}.`}
        </p>
      </div>
      <div className="grid gap-4 lg:grid-cols-2 xl:grid-cols-3">
        {shown.map((p) => (
          <PlanCard key={p.id} job={job} plan={p} may={may} onTry={onTry} />
        ))}
      </div>
      {plans.findings.length > 0 && (
        <section>
          <h3 className="text-lg">Repair, or leave and watch?</h3>
          <ul className="space-y-1 text-sm">
            {plans.findings.map((f) => (
              <li key={f.item}>
                <b>
                  {f.title}: {f.choice}.
                </b>{' '}
                {words(f.because)} <i>{words(f.would)}</i> Left alone: {words(f.limit)}
              </li>
            ))}
          </ul>
        </section>
      )}
    </section>
  );
}
