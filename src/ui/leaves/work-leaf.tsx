'use client';

import { TriangleAlert } from 'lucide-react';
import { useEffect, useState } from 'react';
import { formatMoney } from '../../core/money/money.ts';
import { FormField } from '../form-field.tsx';
import { ListChoice } from '../list-choice.tsx';
import { Trouble } from '../trouble.tsx';
import { useMounted } from '../draft.ts';
import { BagsPanel } from '../custody/bags-panel.tsx';
import { StringsPanel } from '../strings-panel.tsx';
import { OrderTotals } from '../order-totals.tsx';
import { useSend } from '../use-send.ts';
import type { LeafProps } from './leaf-props.ts';

type Line = LeafProps['job']['lines'][number];
const HOWS = ['at the counter', 'by telephone', 'in writing'] as const;
type How = (typeof HOWS)[number];

/** Worked time as `12 min` or `1 h 05`. */
function sayWorked(ms: number): string {
  const minutes = Math.floor(ms / 60_000);
  return minutes < 60
    ? `${minutes} min`
    : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
}

function Clock({ line }: { readonly line: Line }) {
  const alive = useMounted();
  const [now, setNow] = useState(0);
  useEffect(() => {
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, 10_000);
    return () => clearInterval(timer);
  }, []);
  const running = line.runningSince && alive ? Math.max(0, now - Date.parse(line.runningSince)) : 0;
  return (
    <span>
      {sayWorked(line.workedMs + running)} of about {line.minutes.likely} min
    </span>
  );
}

function Answering({ job }: Pick<LeafProps, 'job'>) {
  const { give, busy, trouble } = useSend();
  const [by, setBy] = useState(job.customer.name);
  const [how, setHow] = useState<How>('at the counter');
  const asked = job.lines.filter((l) => l.approval === 'asked');
  const answer = (line: Line, said: 'yes' | 'no') =>
    give('work.answer', { lineId: line.id, version: line.version, answer: said, by, how });
  if (asked.length === 0) return null;
  return (
    <section aria-labelledby="asked" className="border border-rubric p-4">
      <h2 id="asked" className="text-xl">
        <span className="text-2xl text-rubric">W</span>aits for the customer’s word
      </h2>
      <div className="my-2 grid grid-cols-2 gap-3">
        <FormField label="Who answers">
          {(w) => <input {...w} className="field" value={by} onChange={(e) => setBy(e.target.value)} />}
        </FormField>
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
          <li key={l.id} className="flex items-center gap-3 border-t border-line py-2">
            <span className="flex-1">
              <b>{l.title}</b>, {formatMoney(l.price + l.parts, job.shop.currency)}
              <span className="block text-sm text-quiet">{l.detail}</span>
            </span>
            <button
              type="button"
              className="button"
              disabled={busy}
              aria-label={`Yes to ${l.title}`}
              onClick={() => void answer(l, 'yes')}
            >
              Yes
            </button>
            <button
              type="button"
              className="button"
              disabled={busy}
              aria-label={`No to ${l.title}`}
              onClick={() => void answer(l, 'no')}
            >
              No
            </button>
          </li>
        ))}
      </ul>
      <Trouble trouble={trouble} />
    </section>
  );
}

function Step({ line, may }: { readonly line: Line; readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  const act = (action: 'start' | 'pause' | 'finish' | 'reopen') =>
    void give('work.step', { lineId: line.id, version: line.version, action });
  const button = (action: 'start' | 'pause' | 'finish' | 'reopen', name: string, main = false) => (
    <button
      type="button"
      className={`button ${main ? 'button-main' : ''}`}
      disabled={busy}
      aria-label={`${name}: ${line.title}`}
      onClick={() => act(action)}
    >
      {name}
    </button>
  );
  const finished = line.step === 'finished';
  return (
    <li
      className={`border-b border-line py-3 ${line.step === 'running' ? 'border-l-4 border-l-plain pl-3' : ''}`}
    >
      <div className="flex flex-wrap items-start gap-3">
        <div className="min-w-60 flex-1">
          <h3 className="text-lg leading-tight">
            {finished && <span aria-hidden>✓ </span>}
            {line.title} <span className="text-sm text-quiet">{line.step}</span>
          </h3>
          {line.detail && <p>{line.detail}</p>}
          <p className="text-sm text-quiet">
            <Clock line={line} />
            {line.runningBy && <span className="text-ink"> · {line.runningBy} at it</span>}
            {finished && <span className="text-ink"> · {line.finishedBy}</span>}
            {line.wait > 0 &&
              ` · then wait ${line.wait < 60 ? `${line.wait} min` : `${Math.round(line.wait / 60)} h`}`}
            {!line.reversible && ' · cannot be undone: first cut, then read again'}
          </p>
          {!finished && line.hazards.length > 0 && (
            <p className="text-sm text-quiet">
              Beware. The product’s safety sheet, local rules and licensed people come first:
            </p>
          )}
          {!finished &&
            line.hazards.map((h) => (
              <p key={h} className="text-sm">
                <TriangleAlert aria-hidden size={15} className="inline align-[-2px]" /> {h}{' '}
                <span className="text-quiet">Follow the safety sheet and local rules.</span>
              </p>
            ))}
        </div>
        {may && (
          <div className="flex gap-2">
            {(line.step === 'ready' || line.step === 'paused') &&
              button('start', line.step === 'ready' ? 'Start' : 'Go on', true)}
            {line.step === 'running' && button('pause', 'Pause')}
            {(line.step === 'running' || line.step === 'paused') &&
              button('finish', 'Finish', line.step === 'running')}
            {finished && button('reopen', 'Not finished')}
          </div>
        )}
      </div>
      <Trouble trouble={trouble} />
    </li>
  );
}

/** The work order: the customer's word line by line, then the steps with their clocks. */
export function WorkLeaf({ job, allowed }: LeafProps) {
  const agreed = job.lines.filter((l) => l.approval === 'yes');
  const refused = job.lines.filter((l) => l.approval === 'no');
  const stale = job.readings.stations.filter((s) => job.proposal.stale.includes(s.key));
  return (
    <div className="grid gap-8 lg:grid-cols-[1fr_19rem]">
      <div className="space-y-5">
        {allowed.approve ? (
          <Answering job={job} />
        ) : (
          job.lines.some((l) => l.approval === 'asked') && (
            <p className="text-rubric">◆ Waits for the customer’s word; the desk records it.</p>
          )
        )}
        <StringsPanel job={job} may={allowed.work} />
        <section aria-labelledby="steps">
          <h2 id="steps" className="text-xl">
            Steps
          </h2>
          {agreed.length === 0 && (
            <p className="py-3 text-quiet">
              Nothing is agreed yet. Accept lines on the Plan, then record the customer’s yes.
            </p>
          )}
          <ul>
            {agreed.map((l) => (
              <Step key={l.id} line={l} may={allowed.work} />
            ))}
          </ul>
        </section>
        {refused.length > 0 && (
          <p className="text-sm text-quiet">
            Taken out:{' '}
            {refused.map((l) => `${l.title} (${l.approvedBy} said no, ${l.approvedHow})`).join('; ')}.
          </p>
        )}
      </div>
      <aside className="space-y-6">
        <OrderTotals job={job} may={allowed.approve} />
        <BagsPanel job={job} may={allowed.work} />
        {stale.length > 0 && job.state === 'open' && (
          <section aria-labelledby="again">
            <h2 id="again" className="text-xl">
              <span className="text-2xl text-rubric">R</span>ead again
            </h2>
            <ul className="text-sm">
              {stale.map((s) => (
                <li key={s.key}>
                  <s className="decoration-rubric">{s.label}</s>{' '}
                  <span className="text-rubric">
                    {job.readings.readings
                      .find((r) => r.key === s.key && r.stale !== null)
                      ?.stale?.toLowerCase()}
                  </span>
                </li>
              ))}
            </ul>
          </section>
        )}
      </aside>
    </div>
  );
}
