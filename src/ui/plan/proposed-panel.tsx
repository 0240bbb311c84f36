'use client';

import { useState } from 'react';
import type { OperationId } from '../../core/plan/operation-ids.ts';
import type { ProposalLine } from '../../core/plan/proposal.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';
import { JobTargets } from './job-targets.tsx';
import type { LeafProps } from '../job/leaf-props.ts';

type Decided = LeafProps<'plan'>['job']['decisions'][number];
const SAID = { accepted: 'accepted', changed: 'changed', declined: 'declined' } as const;

function Why({ line }: { readonly line: ProposalLine }) {
  if (line.why.length === 0) return null;
  return (
    <details className="text-sm">
      <summary className="inline-flex min-h-8 cursor-pointer items-center underline">Why</summary>
      <ul className="list-disc pl-5">
        {line.why.map((w) => (
          <li key={w}>{w}</li>
        ))}
      </ul>
    </details>
  );
}

/** One proposed line with its three answers. */
function Proposed({
  job,
  line,
  decided,
  may,
}: {
  readonly job: LeafProps<'plan'>['job'];
  readonly line: ProposalLine;
  readonly decided: Decided | undefined;
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const [change, setChange] = useState(decided?.change ?? '');
  const [reason, setReason] = useState(decided?.reason ?? '');
  const [open, setOpen] = useState<'changed' | 'declined' | null>(null);
  const decide = async (decision: Decided['decision']) => {
    const done = await give('plan.decide', {
      jobId: job.id,
      line: line.key,
      decision,
      change: decision === 'changed' ? change : '',
      reason,
      version: decided?.version ?? 0,
    });
    if (done) setOpen(null);
  };
  return (
    <li className="grid gap-x-6 gap-y-2 border-b border-line py-3 md:grid-cols-[1fr_21rem]">
      <div>
        <h3 className="text-lg leading-tight">
          {decided ? (
            line.title
          ) : (
            <>
              <span className="text-2xl text-rubric">{line.title.charAt(0)}</span>
              {line.title.slice(1)}
            </>
          )}
        </h3>
        <p>{decided?.change || line.says}</p>
        {line.warnings.map((w) => (
          <p key={w} className="text-sm text-rubric">
            ◆ {w}
          </p>
        ))}
        <Why line={line} />
        {decided && (
          <p className="text-sm text-ink">
            {decided.by} {SAID[decided.decision]} this{decided.reason && `: ${decided.reason}`}
          </p>
        )}
      </div>
      {may && (
        <div className="space-y-2">
          <div className="flex gap-2" role="group" aria-label={`Decide: ${line.title}`}>
            <button
              type="button"
              className={`button flex-1 px-2 ${decided?.decision === 'accepted' ? 'button-main' : ''}`}
              disabled={busy}
              onClick={() => void decide('accepted')}
            >
              Accept
            </button>
            <button
              type="button"
              className={`button flex-1 px-2 ${decided?.decision === 'changed' ? 'button-main' : ''}`}
              aria-expanded={open === 'changed'}
              onClick={() => setOpen(open === 'changed' ? null : 'changed')}
            >
              Change
            </button>
            <button
              type="button"
              className={`button flex-1 px-2 ${decided?.decision === 'declined' ? 'button-main' : ''}`}
              aria-expanded={open === 'declined'}
              onClick={() => setOpen(open === 'declined' ? null : 'declined')}
            >
              Decline
            </button>
          </div>
          {open === 'changed' && (
            <FormField label="What will be done instead">
              {(w) => (
                <textarea
                  {...w}
                  className="field"
                  rows={2}
                  value={change}
                  onChange={(e) => setChange(e.target.value)}
                />
              )}
            </FormField>
          )}
          {open !== null && (
            <>
              <FormField label="Why (it stays with the job)">
                {(w) => (
                  <input
                    {...w}
                    className="field"
                    value={reason}
                    onChange={(e) => setReason(e.target.value)}
                  />
                )}
              </FormField>
              <button
                type="button"
                className="button button-main"
                disabled={busy}
                onClick={() => void decide(open)}
              >
                {open === 'changed' ? 'Keep the change' : 'Decline it'}
              </button>
            </>
          )}
          <Trouble trouble={trouble} />
        </div>
      )}
    </li>
  );
}

function AddOperation({ job }: { readonly job: LeafProps<'plan'>['job'] }) {
  const { give, busy, trouble } = useSend();
  const [operation, setOperation] = useState<OperationId>('play-test');
  const [detail, setDetail] = useState('');
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void give('plan.add', { jobId: job.id, operation, detail }).then((done) => done && setDetail(''));
      }}
    >
      <FormField label="Another operation" className="w-72">
        {(w) => (
          <ListChoice
            {...w}
            value={operation}
            items={job.plan.catalogue.map((o) => ({ value: o.id, name: o.name }))}
            onChange={(value) => setOperation(value as OperationId)}
          />
        )}
      </FormField>
      <FormField label="Detail" className="w-72">
        {(w) => <input {...w} className="field" value={detail} onChange={(e) => setDetail(e.target.value)} />}
      </FormField>
      <button type="submit" className="button" disabled={busy}>
        Put it on the work order
      </button>
      <Trouble trouble={trouble} />
    </form>
  );
}

/** What Rubrica proposes, with the sum in words; the tech decides and the reason stays. */
export function ProposedPanel({ job, allowed }: Pick<LeafProps<'plan'>, 'job' | 'allowed'>) {
  const { lines, leave, missing, stale } = job.proposal;
  const label = (key: string) => job.readings.stations.find((s) => s.key === key)?.label ?? key;
  const decisionOf = (key: string) => job.decisions.find((d) => d.line === key);
  const gone = job.decisions.filter((d) => !lines.some((l) => l.key === d.line));
  return (
    <div className="grid gap-8 lg:grid-cols-[1fr_17rem]">
      <section aria-labelledby="proposal">
        <h2 id="proposal" className="text-xl">
          Proposed, in the order of a setup
        </h2>
        {stale.length > 0 && job.state === 'open' && (
          <p className="text-rubric">
            ◆ Not used, because stale: {stale.map(label).join(', ')}. Read them again.
          </p>
        )}
        {job.plan.choice && (
          <p>
            The job goes by the plan <b>{job.plan.choice.name.toLowerCase()}</b>, chosen by{' '}
            {job.plan.choice.by}
            {job.plan.choice.reason && `: ${job.plan.choice.reason}`}. Its operations are on the work order.
          </p>
        )}
        {missing.length > 0 && <p className="text-quiet">Still to read: {missing.map(label).join(', ')}.</p>}
        {lines.length === 0 && missing.length === 0 && stale.length === 0 && (
          <p className="py-4 text-lg">Everything read is in its band. Leave it as it is.</p>
        )}
        <ul>
          {lines.map((l) => (
            <Proposed key={l.key} job={job} line={l} decided={decisionOf(l.key)} may={allowed.plan} />
          ))}
          {gone.map((d) => (
            <li key={d.line} className="border-b border-line py-2 text-sm">
              <b>{d.proposed.title}</b>: {d.change || d.proposed.says}{' '}
              <span className="text-ink">
                {d.by} {SAID[d.decision]} this{d.reason && `: ${d.reason}`}.
              </span>
            </li>
          ))}
        </ul>
        {allowed.plan && (
          <div className="pt-4">
            <AddOperation job={job} />
          </div>
        )}
      </section>
      <aside className="space-y-4">
        <div>
          <h2 className="text-xl">Already good</h2>
          {leave.length === 0 ? (
            <p className="text-quiet">Nothing yet.</p>
          ) : (
            leave.map((l) => <p key={l}>{l}</p>)
          )}
        </div>
        <JobTargets job={job} may={allowed.plan} />
      </aside>
    </div>
  );
}
