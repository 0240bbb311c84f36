'use client';

import { useRef, useState } from 'react';
import { minuteOf } from '../../core/days/opening.ts';
import type { LoadedWeek } from '../../server/week/load-week.ts';
import type { MovedJob, TriedWeek } from '../../server/week/try-week.ts';
import { useSend } from '../data/use-send.ts';
import { dayOf, sayWeekday } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { placesOf } from './places-of.ts';
import { sayChance } from '../../core/schedule/say-chance.ts';
import { clock } from './week-time.ts';

const KINDS = [
  { value: 'away', name: 'Somebody is not here' },
  { value: 'longer', name: 'Somebody stays longer' },
  { value: 'rush', name: 'A rush job comes in' },
  { value: 'out', name: 'A jig or bench cannot be used' },
  { value: 'better', name: 'Is there a better plan?' },
] as const;
type Kind = (typeof KINDS)[number]['value'];

interface Asked {
  readonly kind: Kind;
  readonly worker: string;
  readonly spot: string;
  readonly from: string;
  readonly to: string;
  readonly minutes: string;
  readonly day: string;
  readonly begins: string;
  readonly ends: string;
}

type Answer = TriedWeek | { readonly message: string; readonly fields?: Readonly<Record<string, string>> };

const WHY = {
  longer: 'somebody stays longer',
  rush: '',
  out: '',
  away: '',
  better: 'a better plan',
} as const;

/** A time of day as an address carries it; nothing said is refused at its field. */
const minuteIn = (time: string): string => String(minuteOf(time) ?? -1);

const addressOf = (a: Asked): string => {
  const of = (fields: Record<string, string>): string =>
    new URLSearchParams({ kind: a.kind, ...fields }).toString();
  switch (a.kind) {
    case 'away':
      return of({ worker: a.worker, from: a.from, to: a.to });
    case 'longer':
      return of({ worker: a.worker, day: a.day, from: minuteIn(a.begins), to: minuteIn(a.ends) });
    case 'out':
      return of({ spot: a.spot, from: a.from, to: a.to });
    case 'rush':
      return of({ minutes: a.minutes, skill: '1', day: a.day });
    case 'better':
      return of({});
  }
};

interface Some {
  readonly asked: Asked;
  readonly set: (key: keyof Asked) => (value: string) => void;
}

/** How much work comes in, and when it has to be ready. */
function RushFields({ asked, set }: Some) {
  return (
    <>
      <TextField
        label="Minutes of work"
        inputMode="numeric"
        className="w-36"
        value={asked.minutes}
        onChange={set('minutes')}
      />
      <TextField label="Wanted by" type="date" className="w-40" value={asked.day} onChange={set('day')} />
    </>
  );
}

/** On which day somebody stays, from when to when. */
function LongerFields({ asked, set }: Some) {
  return (
    <>
      <TextField label="Day" type="date" className="w-40" value={asked.day} onChange={set('day')} />
      <TextField label="From" type="time" className="w-32" value={asked.begins} onChange={set('begins')} />
      <TextField label="To" type="time" className="w-32" value={asked.ends} onChange={set('ends')} />
    </>
  );
}

function Fields({
  asked,
  week,
  onChange,
}: {
  readonly asked: Asked;
  readonly week: LoadedWeek;
  readonly onChange: (a: Asked) => void;
}) {
  const set = (key: keyof Asked) => (value: string) => onChange({ ...asked, [key]: value });
  return (
    <div className="flex flex-wrap items-end gap-3">
      <FormField label="What if" className="w-72">
        {(w) => <ListChoice {...w} value={asked.kind} items={[...KINDS]} onChange={set('kind')} />}
      </FormField>
      {(asked.kind === 'away' || asked.kind === 'longer') && (
        <FormField label="Who" className="w-52">
          {(w) => (
            <ListChoice
              {...w}
              value={asked.worker}
              items={week.workers.map((p) => ({ value: String(p.id), name: p.name }))}
              onChange={set('worker')}
            />
          )}
        </FormField>
      )}
      {asked.kind === 'out' && (
        <FormField label="Which" className="w-52">
          {(w) => (
            <ListChoice
              {...w}
              value={asked.spot}
              items={week.spots.map((p) => ({ value: p.id, name: p.name }))}
              onChange={set('spot')}
            />
          )}
        </FormField>
      )}
      {(asked.kind === 'away' || asked.kind === 'out') && (
        <>
          <TextField label="From" type="date" className="w-40" value={asked.from} onChange={set('from')} />
          <TextField label="To" type="date" className="w-40" value={asked.to} onChange={set('to')} />
        </>
      )}
      {asked.kind === 'longer' && <LongerFields asked={asked} set={set} />}
      {asked.kind === 'rush' && <RushFields asked={asked} set={set} />}
    </div>
  );
}

const moment = (at: number | null, zone: string): string =>
  at === null ? 'no time known' : `${sayWeekday(dayOf(at))}, ${clock(at, zone)}`;

function Job({ job, zone }: { readonly job: MovedJob; readonly zone: string }) {
  const worse = job.is !== null && job.is < 0.8 && job.is < (job.was ?? 1);
  return (
    <tr className="border-b border-line">
      <th scope="row" className="py-1.5 pr-3 text-left font-normal">
        <b className="font-serif">{job.number > 0 ? job.number : '+'}</b> {job.title}
      </th>
      <td className="pr-3">{job.number > 0 ? moment(job.wasReady, zone) : ''}</td>
      <td className="pr-3">{moment(job.isReady, zone)}</td>
      <td className={worse ? 'text-rubric' : ''}>
        {worse && '◆ '}
        {job.is === null ? '' : `${job.was === null ? '' : `${sayChance(job.was)} to `}${sayChance(job.is)}`}
      </td>
    </tr>
  );
}

/** What another plan would do, beside the one that holds. */
function Outcome({ tried, week }: { readonly tried: TriedWeek; readonly week: LoadedWeek }) {
  const name = (id: number): string => week.workers.find((w) => w.id === id)?.name ?? '';
  const now = tried.moved.filter((m) => m.was !== null && m.is !== null);
  return (
    <div className="space-y-3">
      <p>
        {now.length === 0
          ? 'No step moves.'
          : `${now.length} ${now.length === 1 ? 'step moves' : 'steps move'}.`}
        {tried.gap !== null &&
          ` What was found is at most ${Math.max(1, Math.round(100 * tried.gap))} in 100 from the best plan there can be.`}
      </p>
      {tried.jobs.length > 0 && (
        <table className="w-full text-sm">
          <thead>
            <tr className="border-b border-plain text-left">
              <th scope="col">Job</th>
              <th scope="col">ready now</th>
              <th scope="col">ready then</th>
              <th scope="col">in time</th>
            </tr>
          </thead>
          <tbody>
            {tried.jobs.map((j) => (
              <Job key={j.number} job={j} zone={week.zone} />
            ))}
          </tbody>
        </table>
      )}
      {now.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2">Which steps move</summary>
          <ul className="text-sm">
            {now.map((m) => (
              <li key={m.step}>
                <b className="font-serif">{m.job}</b> {m.title}: {name(m.was?.worker ?? 0)},{' '}
                {moment(m.was?.start ?? null, week.zone)} → {name(m.is?.worker ?? 0)},{' '}
                {moment(m.is?.start ?? null, week.zone)}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

const message = (answer: Answer): string | null =>
  'message' in answer ? [answer.message, ...Object.values(answer.fields ?? {})].join(' ') : null;

/** Asks the house what would be. */
async function askHouse(asked: Asked, signal: AbortSignal): Promise<Answer> {
  const at = `/api/week/try?${addressOf(asked)}`;
  const got = await fetch(at, { cache: 'no-store', signal }).catch(() => null);
  const readable = got && (got.ok || got.status === 422 || got.status === 429);
  return readable ? ((await got.json()) as Answer) : { message: 'The house did not answer. Try again.' };
}

/** What is asked, and what the house says to it; an answer goes when something else is asked. */
function useAsked(week: LoadedWeek) {
  const [asked, setAsked] = useState<Asked>({
    kind: 'away',
    worker: String(week.workers[0]?.id ?? ''),
    spot: week.spots.find((s) => s.kind === 'neck-jig')?.id ?? week.spots[0]?.id ?? '',
    from: week.today,
    to: week.today,
    minutes: '120',
    day: week.today,
    begins: '18:00',
    ends: '20:00',
  });
  const [answer, setAnswer] = useState<Answer | 'asked' | null>(null);
  const change = (a: Asked) => {
    setAsked(a);
    setAnswer(null);
  };
  const running = useRef<AbortController | null>(null);
  const stop = () => {
    running.current?.abort();
    setAnswer(null);
  };
  const ask = async () => {
    const own = new AbortController();
    running.current = own;
    setAnswer('asked');
    const found = await askHouse(asked, own.signal);
    if (!own.signal.aborted) setAnswer(found);
  };
  return {
    asked,
    change,
    ask,
    stop,
    waiting: answer === 'asked',
    answer: answer === 'asked' ? null : answer,
  };
}

/** Something tried beside the plan, and dropped or taken. */
export function WhatIf({ week, onClose }: { readonly week: LoadedWeek; readonly onClose: () => void }) {
  const { asked, change, ask, stop, waiting, answer } = useAsked(week);
  const { give, busy, trouble } = useSend();
  const tried = answer !== null && 'moved' in answer ? answer : null;
  const wrong = answer && message(answer);
  const take = async () => {
    const { worker, from, to, day, begins, ends } = asked;
    const personId = Number(worker);
    const steps = placesOf(tried?.moved ?? []);
    const hours = { personId, day, from: minuteOf(begins) ?? -1, to: minuteOf(ends) ?? -1 };
    if (asked.kind === 'longer' && !(await give('week.longer', hours))) return;
    const done =
      asked.kind === 'away'
        ? await give('week.away', { personId, from, to, why: '' })
        : steps.length === 0 || (await give('week.take', { steps, why: WHY[asked.kind] }));
    if (done) onClose();
  };
  const said = asked.kind === 'away' || asked.kind === 'longer';
  const better = asked.kind === 'better' && tried?.moved.some((m) => m.is);
  return (
    <section aria-label="What if" className="space-y-4 border-b-2 border-plain px-5 py-4">
      <Fields asked={asked} week={week} onChange={change} />
      <div className="flex flex-wrap gap-3">
        <button type="button" className="button button-main" disabled={waiting} onClick={() => void ask()}>
          Try it
        </button>
        {tried && (said || better) && (
          <button type="button" className="button" disabled={busy} onClick={() => void take()}>
            {said ? 'So it is: plan by it' : 'Take this plan'}
          </button>
        )}
        {waiting && (
          <button type="button" className="button" onClick={stop}>
            Stop
          </button>
        )}
        <button type="button" className="button" onClick={onClose}>
          {tried ? 'Drop it' : 'Close'}
        </button>
      </div>
      <div role="status">
        {waiting && <p className="text-quiet">Planning …</p>}
        {wrong && <p className="text-rubric">◆ {wrong}</p>}
        {tried && <Outcome tried={tried} week={week} />}
      </div>
      <Trouble trouble={trouble} />
    </section>
  );
}
