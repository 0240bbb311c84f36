'use client';

import Link from '../kit/link.tsx';
import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useState } from 'react';
import { formatMoney } from '../../core/money/currency.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { BagsPanel } from '../custody/bags-panel.tsx';
import { StringsPanel } from '../work/strings-panel.tsx';
import { OrderTotals } from '../work/order-totals.tsx';
import { useDisplayUnit, useWords } from '../data/display-unit.ts';
import { useSend } from '../data/use-send.ts';
import { HandedOn, HandOn } from '../work/hand-on.tsx';
import { OrderList } from '../work/order-list.tsx';
import { RemarksPanel } from '../work/remarks-panel.tsx';
import type { LeafProps } from '../job/leaf-props.ts';

const LinksPanel = lazyPart(() => import('../customer/links-panel.tsx').then((m) => m.LinksPanel));

const FromTheShelf = lazyPart(() => import('../stores/from-the-shelf.tsx').then((m) => m.FromTheShelf));

const ChangeRequest = lazyPart(() => import('../work/change-request.tsx').then((m) => m.ChangeRequest));
const AccidentsPanel = lazyPart(() => import('../work/accidents-panel.tsx').then((m) => m.AccidentsPanel));

type Line = LeafProps<'operations' | 'inspection'>['job']['lines'][number];
const HOWS = ['at the counter', 'by telephone', 'in writing'] as const;
type How = (typeof HOWS)[number];

/** A line that waits, with the customer's yes and no. */
function Asked({
  line: l,
  price,
  busy,
  onAnswer,
}: {
  readonly line: Line;
  readonly price: string;
  readonly busy: boolean;
  readonly onAnswer: (said: 'yes' | 'no') => void;
}) {
  const words = useWords();
  const button = (said: 'yes' | 'no', word: string) => (
    <button
      type="button"
      className="button"
      disabled={busy}
      aria-label={`${word} to ${l.title}`}
      onClick={() => onAnswer(said)}
    >
      {word}
    </button>
  );
  return (
    <li className="flex items-center gap-3 border-t border-line py-2">
      <span className="flex-1">
        <b>{l.title}</b>, {price}
        <span className="block text-sm text-quiet">{l.found ?? words(l.detail)}</span>
      </span>
      {button('yes', 'Yes')}
      {button('no', 'No')}
    </li>
  );
}

function Answering({ job }: Pick<LeafProps<'operations' | 'inspection'>, 'job'>) {
  const { give, busy, trouble } = useSend();
  const [by, setBy] = useState(job.customer.name);
  const [how, setHow] = useState<How>('at the counter');
  const asked = job.lines.filter((l) => l.approval === 'asked');
  const sum = asked.reduce((s, l) => s + l.price + l.parts, 0);
  const answer = (line: Line, said: 'yes' | 'no') =>
    give('work.answer', { lineId: line.id, version: line.version, answer: said, by, how });
  if (asked.length === 0) return null;
  return (
    <section aria-labelledby="asked" className="border border-rubric p-4">
      <h2 id="asked" className="text-xl">
        <span className="text-2xl text-rubric">W</span>aits for the customer’s word
      </h2>
      <div className="my-2 grid grid-cols-2 gap-3">
        <TextField label="Who answers" value={by} onChange={setBy} />
        <FormField label="How">
          {(w) => (
            <ListChoice
              {...w}
              value={how}
              items={HOWS.map((h) => ({ value: h, name: h }))}
              onChange={(value) => setHow(value as How)}
            />
          )}
        </FormField>
      </div>
      <ul>
        {asked.map((l) => (
          <Asked
            key={l.id}
            line={l}
            price={formatMoney(l.price + l.parts, job.shop.currency)}
            busy={busy}
            onAnswer={(said) => void answer(l, said)}
          />
        ))}
      </ul>
      {asked.length > 1 && (
        <button
          type="button"
          className="button mt-2"
          disabled={busy}
          onClick={() =>
            void give('work.answer-all', {
              jobId: job.id,
              lines: asked.map((l) => ({ lineId: l.id, version: l.version })),
              answer: 'yes',
              by,
              how,
            })
          }
        >
          Yes to all {asked.length}: {formatMoney(sum, job.shop.currency)}, before tax
        </button>
      )}
      <Trouble trouble={trouble} />
    </section>
  );
}

/** What can be done about the order, and its papers. */
function AboutTheOrder({ job, me }: Pick<LeafProps<'operations' | 'inspection'>, 'job' | 'me'>) {
  const [unit] = useDisplayUnit();
  const paper = (of: 'bench' | 'estimate', name: string) => (
    <a
      className="button"
      href={`/api/job/${job.number}/paper/${of}?unit=${unit}`}
      target="_blank"
      rel="noreferrer"
    >
      {name}
    </a>
  );
  return (
    <div className="flex flex-wrap items-start gap-2">
      <Suspense
        fallback={
          <button type="button" className="button" disabled>
            Found something inside
          </button>
        }
      >
        <ChangeRequest job={job} />
      </Suspense>
      <HandOn job={job} me={me} />
      {paper('bench', 'Bench sheet')}
      {paper('estimate', 'Estimate')}
      {job.instrument.construction.electronics !== 'none' && (
        <Link className="button" href={`/shelf/${job.instrument.id}#inside`}>
          What is inside
        </Link>
      )}
      {job.waits.length > 0 && (
        <a className="button" href={`/api/job/${job.number}/wait`} download={`job-${job.number}-rest.ics`}>
          Rest in the calendar
        </a>
      )}
    </div>
  );
}

/** The work order: the customer's word line by line, the steps in their order with their clocks, and what people say. */
export function WorkLeaf({ job, allowed, me }: LeafProps<'operations' | 'inspection'>) {
  const open = job.state === 'open';
  return (
    <div className="grid gap-8 lg:grid-cols-[1fr_20rem]">
      <div className="space-y-4">
        <HandedOn job={job} />
        {allowed.take ? (
          <Answering job={job} />
        ) : (
          job.lines.some((l) => l.approval === 'asked') && (
            <p className="text-rubric">◆ Waits for the customer’s word.</p>
          )
        )}
        <section aria-labelledby="steps">
          <h2 id="steps" className="text-xl">
            Steps
          </h2>
          {job.lines.length === 0 && (
            <p className="py-3 text-quiet">
              Nothing is agreed yet. Accept lines on the Plan, then record the customer’s yes.
            </p>
          )}
          <OrderList job={job} allowed={allowed} />
        </section>
        <Suspense fallback={null}>
          <FromTheShelf number={job.number} may={allowed.work} />
        </Suspense>
        {allowed.work && <AboutTheOrder job={job} me={me} />}
        <RemarksPanel job={job} may={open} />
      </div>
      <aside className="space-y-6">
        <OrderTotals job={job} may={allowed.approve} />
        <Suspense>
          <LinksPanel job={job} purpose="estimate" may={allowed.handOver} mayHold={allowed.approve} />
        </Suspense>
        <StringsPanel job={job} may={allowed.work} />
        <BagsPanel job={job} may={allowed.work} />
        <Suspense>
          <AccidentsPanel job={job} may={allowed.handOver} />
        </Suspense>
      </aside>
    </div>
  );
}
