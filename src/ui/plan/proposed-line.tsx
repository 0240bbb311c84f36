'use client';

import { useState } from 'react';
import type { OperationId } from '../../core/catalogue/operation-ids.ts';
import { fittingOf } from '../../core/catalogue/operations.ts';
import type { ProposalLine } from '../../core/plan/proposal.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useWords } from '../data/display-unit.ts';
import { useSend } from '../data/use-send.ts';
import { readAmount, sayAmount, signOf } from '../../core/money/currency.ts';
import type { LeafProps } from '../job/leaf-props.ts';

type Decided = LeafProps<'plan'>['job']['decisions'][number];

function Why({ line }: { readonly line: ProposalLine }) {
  const words = useWords();
  if (line.why.length === 0) return null;
  return (
    <details className="text-sm">
      <summary className="inline-flex min-h-8 cursor-pointer items-center underline">Why</summary>
      <ul className="list-disc pl-5">
        {line.why.map((w) => (
          <li key={w}>{words(w)}</li>
        ))}
      </ul>
    </details>
  );
}

/** What was decided of a line, and by whom. */
export function DecidedWords({ decided }: { readonly decided: Decided }) {
  return (
    <span className="text-ink">
      {decided.by} {decided.decision} this
      {decided.instead && `, instead: ${decided.instead}`}
      {decided.reason && `: ${decided.reason}`}
      {decided.refused && ' · the customer said no'}
    </span>
  );
}

interface Change {
  readonly words: string;
  readonly operation: OperationId;
  readonly price: string;
}

/** What is done instead: another operation with its price, in words. */
function ChangeFields({
  job,
  change,
  onChange,
}: Pick<LeafProps<'plan'>, 'job'> & {
  readonly change: Change;
  readonly onChange: (to: Change) => void;
}) {
  const op = job.plan.catalogue.find((o) => o.id === change.operation);
  const price = readAmount(change.price, job.shop.currency);
  return (
    <>
      <TextField
        label="What will be done instead"
        rows={2}
        value={change.words}
        onChange={(text) => onChange({ ...change, words: text })}
      />
      <FormField label="As which operation">
        {(w) => (
          <ListChoice
            {...w}
            value={change.operation}
            items={fittingOf(job.plan.catalogue, job.instrument.construction, [change.operation]).map(
              (o) => ({
                value: o.id,
                name: o.name,
              }),
            )}
            onChange={(value) => onChange({ ...change, operation: value as OperationId, price: '' })}
          />
        )}
      </FormField>
      <TextField
        label={`Its price without parts, ${signOf(job.shop.currency)}`}
        error={price.ok ? undefined : price.error}
        inputMode="decimal"
        placeholder={sayAmount(op?.price ?? 0, job.shop.currency)}
        value={change.price}
        onChange={(text) => onChange({ ...change, price: text })}
      />
    </>
  );
}

type Decision = Decided['decision'];
const WORDS: Readonly<Record<Decision, string>> = {
  accepted: 'Accept',
  changed: 'Change',
  declined: 'Decline',
};

/** The three answers side by side; a change and a no open what they ask for. */
function AnswerButtons({
  title,
  decided,
  open,
  busy,
  onAnswer,
}: {
  readonly title: string;
  readonly decided: Decided | undefined;
  readonly open: Decision | null;
  readonly busy: boolean;
  readonly onAnswer: (d: Decision) => void;
}) {
  return (
    <div className="flex gap-2" role="group" aria-label={`Decide: ${title}`}>
      {(Object.keys(WORDS) as Decision[]).map((d) => (
        <button
          key={d}
          type="button"
          className={`button flex-1 px-2 ${decided?.decision === d ? 'button-main' : ''}`}
          disabled={busy}
          {...(d !== 'accepted' && { 'aria-expanded': open === d })}
          onClick={() => onAnswer(d)}
        >
          {WORDS[d]}
        </button>
      ))}
    </div>
  );
}

/** Why it is changed or declined, and the button that keeps it. */
function ReasonField({
  reason,
  keep,
  blocked,
  onReason,
  onKeep,
}: {
  readonly reason: string;
  readonly keep: string;
  readonly blocked: boolean;
  readonly onReason: (to: string) => void;
  readonly onKeep: () => void;
}) {
  return (
    <>
      <TextField label="Why (it stays with the job)" value={reason} onChange={onReason} />
      <button type="button" className="button button-main" disabled={blocked} onClick={onKeep}>
        {keep}
      </button>
    </>
  );
}

/** The three answers to a line, with what a change or a no asks for. */
function Answers({
  job,
  line,
  decided,
}: Pick<LeafProps<'plan'>, 'job'> & { readonly line: ProposalLine; readonly decided: Decided | undefined }) {
  const { give, busy, trouble } = useSend();
  const [change, setChange] = useState<Change>({
    words: decided?.change ?? '',
    operation: line.operation,
    price: '',
  });
  const [reason, setReason] = useState(decided?.reason ?? '');
  // What is typed answers what stood there when it was begun: a colleague's answer in between is a conflict, not written over.
  const [open, setOpen] = useState<{ readonly decision: Decision; readonly version: number } | null>(null);
  const read = readAmount(change.price, job.shop.currency);
  const price = read.ok ? read.value : undefined;
  const decide = async (decision: Decision, version: number) => {
    const changed = decision === 'changed';
    const done = await give('plan.decide', {
      jobId: job.id,
      line: line.key,
      decision,
      change: changed ? change.words : '',
      reason,
      version,
      ...(changed && { instead: change.operation }),
      ...(changed && typeof price === 'number' && { priceMinor: price }),
    });
    if (done) setOpen(null);
  };
  const onAnswer = (decision: Decision) => {
    const version = decided?.version ?? 0;
    if (decision === 'accepted') void decide(decision, version);
    else setOpen(open?.decision === decision ? null : { decision, version });
  };
  return (
    <div className="space-y-2">
      <AnswerButtons
        title={line.title}
        decided={decided}
        open={open?.decision ?? null}
        busy={busy}
        onAnswer={onAnswer}
      />
      {open?.decision === 'changed' && <ChangeFields job={job} change={change} onChange={setChange} />}
      {open !== null && (
        <ReasonField
          reason={reason}
          keep={open.decision === 'changed' ? 'Keep the change' : 'Decline it'}
          blocked={busy || price === undefined}
          onReason={setReason}
          onKeep={() => void decide(open.decision, open.version)}
        />
      )}
      <Trouble trouble={trouble} />
    </div>
  );
}

/** One line of what is proposed with its three answers; `now` for what is done before anything is read again. */
export function ProposedLine({
  job,
  line,
  now,
  may,
}: Pick<LeafProps<'plan'>, 'job'> & {
  readonly line: ProposalLine;
  readonly now: boolean;
  readonly may: boolean;
}) {
  const words = useWords();
  const decided = job.decisions.find((d) => d.line === line.key);
  const wanted = now && !decided;
  return (
    <li className="grid gap-x-6 gap-y-2 border-b border-line py-3 md:grid-cols-[1fr_21rem]">
      <div>
        <h3 className={`leading-tight ${now ? 'text-lg' : 'text-base'}`}>
          {wanted ? (
            <>
              <span className="text-2xl text-rubric">{line.title.charAt(0)}</span>
              {line.title.slice(1)}
            </>
          ) : (
            line.title
          )}
        </h3>
        <p className={now ? '' : 'text-sm'}>{decided?.change || words(line.says)}</p>
        {line.warnings.map((w) => (
          <p key={w} className="text-sm text-rubric">
            ◆ {words(w)}
          </p>
        ))}
        <Why line={line} />
        {decided && (
          <p className="text-sm">
            <DecidedWords decided={decided} />
          </p>
        )}
      </div>
      {may && <Answers job={job} line={line} decided={decided} />}
    </li>
  );
}
