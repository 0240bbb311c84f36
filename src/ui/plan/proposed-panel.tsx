'use client';

import { useState } from 'react';
import type { OperationId } from '../../core/catalogue/operation-ids.ts';
import { fittingOf } from '../../core/catalogue/operations.ts';
import { formatMoney } from '../../core/money/currency.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useWords } from '../data/display-unit.ts';
import { useSend } from '../data/use-send.ts';
import { SaidBeside } from '../work/said-beside.tsx';
import { LimitSays } from '../work/limit-says.tsx';
import { JobTargets } from './job-targets.tsx';
import { DecidedWords, ProposedLine } from './proposed-line.tsx';
import type { LeafProps } from '../job/leaf-props.ts';

function AddOperation({ job }: Pick<LeafProps<'plan'>, 'job'>) {
  const { give, busy, trouble } = useSend();
  const [chosen, setChosen] = useState<OperationId | null>(null);
  const { catalogue, besides: beside } = job.plan;
  const offered = fittingOf(catalogue, job.instrument.construction);
  // Until one is chosen it is one there is nothing to say of.
  const free =
    offered.find((o) => o.id === 'play-test' && !beside[o.id]) ?? offered.find((o) => !beside[o.id]);
  const operation = chosen ?? free?.id ?? 'play-test';
  const [detail, setDetail] = useState('');
  const [done, setDone] = useState(false);
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        // The next one may be chosen while this one is on its way.
        setChosen(null);
        void give('plan.add', { jobId: job.id, operation, detail, done }).then((added) => {
          if (added) {
            setDetail('');
            setDone(false);
          } else setChosen((next) => next ?? operation);
        });
      }}
    >
      <FormField label="Another operation" className="w-72">
        {(w) => (
          <ListChoice
            {...w}
            value={operation}
            items={offered.map((o) => ({ value: o.id, name: o.name }))}
            onChange={(value) => setChosen(value as OperationId)}
          />
        )}
      </FormField>
      <TextField label="Detail" className="w-72" value={detail} onChange={setDetail} />
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="h-6 w-6 shrink-0"
          checked={done}
          onChange={(e) => setDone(e.target.checked)}
        />
        Done already, without a charge
      </label>
      <button type="submit" className="button" disabled={busy}>
        Put it on the work order
      </button>
      {offered.length < catalogue.length && (
        <p className="basis-full text-sm text-quiet">
          {catalogue.length - offered.length} more are for instruments built otherwise. How this one is built
          is changed on its Arrival.
        </p>
      )}
      <SaidBeside says={beside[operation]} />
      <Trouble trouble={trouble} />
    </form>
  );
}

/** Accepts the whole of the plan that is enough at once: it goes on the work order with the numbers shown. */
function WholePlan({ job }: Pick<LeafProps<'plan'>, 'job'>) {
  const { give, busy, trouble } = useSend();
  const { lines, then } = job.proposal;
  const { choice, catalogue } = job.plan;
  const all = [...lines, ...then];
  const decided = new Set(job.decisions.map((d) => d.line));
  if (all.length === 0 || all.every((l) => decided.has(l.key))) return null;
  const ops = all.map((l) => catalogue.find((o) => o.id === l.operation));
  const price = ops.reduce((sum, o) => sum + (o ? o.price + o.parts : 0), 0);
  const plan = choice?.plan === 'best' ? 'best' : 'sufficient';
  const choose = () =>
    give('plan.choose', { jobId: job.id, plan, reason: choice?.reason ?? '', version: choice?.version ?? 0 });
  return (
    <div className="flex flex-wrap items-center gap-3 py-3">
      <button type="button" className="button button-main" disabled={busy} onClick={() => void choose()}>
        {all.length === 1 ? 'Put this on the work order' : `Put all ${all.length} on the work order`}
      </button>
      <p className="text-sm">
        {formatMoney(price, job.shop.currency)}, before tax. Each line can be answered by itself too.
      </p>
      <LimitSays job={job} planned={ops.filter((o) => o !== undefined)} />
      <Trouble trouble={trouble} />
    </div>
  );
}

/** What stands at the head: what was not used, what to ask, what the job goes by. */
function Beforehand({ job }: Pick<LeafProps<'plan'>, 'job'>) {
  const words = useWords();
  const { missing, stale, questions } = job.proposal;
  const label = (key: string) => job.readings.stations.find((s) => s.key === key)?.label ?? key;
  const { choice } = job.plan;
  return (
    <>
      {stale.length > 0 && job.state === 'open' && (
        <p className="text-rubric">
          ◆ Not used, because stale: {stale.map(label).join(', ')}. Read them again.
        </p>
      )}
      {questions.map((q) => (
        <p key={q} className="text-rubric">
          ◆ {words(q)}
        </p>
      ))}
      {choice && (
        <p>
          The job goes by the plan <b>{choice.name.toLowerCase()}</b>, chosen by {choice.by}
          {choice.reason && `: ${choice.reason}`}.
        </p>
      )}
      {missing.length > 0 && <p className="text-quiet">Still to read: {missing.map(label).join(', ')}.</p>}
    </>
  );
}

/** What waits to be read again before it is judged, and what the plan leaves undone, each with why. */
function Besides({ job }: Pick<LeafProps<'plan'>, 'job'>) {
  const words = useWords();
  const { waits, undone } = job.proposal;
  return (
    <>
      {waits.map((w) => (
        <p key={w} className="border-b border-line py-3 text-sm">
          {w}
        </p>
      ))}
      {undone.length > 0 && (
        <section aria-labelledby="undone" className="border-b border-line py-3 text-sm">
          <h3 id="undone" className="text-base">
            Not dealt with
          </h3>
          <ul>
            {undone.map((u) => (
              <li key={u.what}>
                {u.what}: {words(u.why)}
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

/** What was decided of what is not proposed any more, or was declined. */
function Earlier({ job }: Pick<LeafProps<'plan'>, 'job'>) {
  const { lines, then, declined } = job.proposal;
  const words = useWords();
  const shown = new Set([...lines, ...then, ...declined].map((l) => l.key));
  const gone = job.decisions.filter((d) => !shown.has(d.line));
  if (gone.length === 0) return null;
  return (
    <section aria-label="Decided before">
      <h3 className="pt-4 text-base">Decided before, when the readings said something else</h3>
      <ul>
        {gone.map((d) => (
          <li key={d.line} className="border-b border-line py-1 text-sm">
            <b>{d.proposed.title}</b>: {d.change || words(d.proposed.says)} <DecidedWords decided={d} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What Rubrica proposes: the beginning of the plan, what follows it, with the sums in words; the tech decides. */
export function ProposedPanel({ job, allowed }: Pick<LeafProps<'plan'>, 'job' | 'allowed'>) {
  const { lines, then, declined, leave, missing, stale } = job.proposal;
  const line = (now: boolean) => (l: (typeof lines)[number]) => (
    <ProposedLine key={l.key} job={job} line={l} now={now} may={allowed.plan} />
  );
  return (
    <div className="grid gap-8 lg:grid-cols-[1fr_17rem]">
      <section aria-labelledby="proposal">
        <h2 id="proposal" className="text-xl">
          Proposed now
        </h2>
        <Beforehand job={job} />
        {lines.length === 0 && missing.length === 0 && stale.length === 0 && (
          <p className="py-4 text-lg">Everything read is in its band. Leave it as it is.</p>
        )}
        <ul>{lines.map(line(true))}</ul>
        {then.length > 0 && (
          <>
            <h3 className="pt-4 text-base">
              Then, as it is expected now; worked out anew from what is read in between
            </h3>
            <ul>{then.map(line(false))}</ul>
          </>
        )}
        <Besides job={job} />
        {allowed.plan && <WholePlan job={job} />}
        {declined.length > 0 && (
          <>
            <h3 className="pt-4 text-base">Declined; the rest is worked out without it</h3>
            <ul>{declined.map(line(false))}</ul>
          </>
        )}
        <Earlier job={job} />
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
