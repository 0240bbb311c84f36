'use client';

import { useRef, useState } from 'react';
import { minuteOf } from '../../core/days/opening.ts';
import type { LoadedWeek } from '../../server/week/load-week.ts';
import type { TriedWeek } from '../../core/schedule/difference.ts';
import { useSend } from '../data/use-send.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { placesOf } from './places-of.ts';
import { useSearch, type SearchState } from './use-search.ts';
import { Outcome } from './what-if-outcome.tsx';

const KINDS = [
  { value: 'away', name: 'Somebody is not here' },
  { value: 'longer', name: 'Somebody stays longer' },
  { value: 'rush', name: 'A rush job comes in' },
  { value: 'out', name: 'A jig or bench cannot be used' },
  { value: 'better', name: 'Is there a better plan?' },
] as const;
type Kind = (typeof KINDS)[number]['value'];

/** For how long a better plan is looked for, seconds. */
const SEARCHES = [
  { value: '10', name: 'Ten seconds' },
  { value: '60', name: 'A minute' },
  { value: '300', name: 'Five minutes' },
] as const;

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
  readonly seconds: string;
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

const addressOf = (a: Asked & { readonly kind: Exclude<Kind, 'better'> }): string => {
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
      {asked.kind === 'better' && (
        <FormField label="Look for" className="w-52">
          {(w) => <ListChoice {...w} value={asked.seconds} items={[...SEARCHES]} onChange={set('seconds')} />}
        </FormField>
      )}
      {asked.kind === 'rush' && <RushFields asked={asked} set={set} />}
    </div>
  );
}

const message = (answer: Answer): string | null =>
  'message' in answer ? [answer.message, ...Object.values(answer.fields ?? {})].join(' ') : null;

/** Asks the house what would be. */
async function askHouse(at: string, signal: AbortSignal): Promise<Answer> {
  const got = await fetch(at, { cache: 'no-store', signal }).catch(() => null);
  const readable = got && (got.ok || got.status === 422 || got.status === 429);
  return readable ? ((await got.json()) as Answer) : { message: 'The house did not answer. Try again.' };
}

/** What a search beside the page has come to, as an answer of the house. */
const answerOf = (state: SearchState): Answer | null => {
  if (state?.kind === 'found') return state.tried;
  return state?.kind === 'failed' ? { message: state.message } : null;
};

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
    seconds: '10',
  });
  const [answer, setAnswer] = useState<Answer | 'asked' | null>(null);
  const search = useSearch();
  const running = useRef<AbortController | null>(null);
  const drop = () => {
    running.current?.abort();
    search.drop();
    setAnswer(null);
  };
  const change = (a: Asked) => {
    drop();
    setAsked(a);
  };
  const ask = async () => {
    const { kind } = asked;
    if (kind === 'better') return search.begin(Number(asked.seconds));
    const own = new AbortController();
    running.current = own;
    setAnswer('asked');
    const found = await askHouse(`/api/week/try?${addressOf({ ...asked, kind })}`, own.signal);
    if (!own.signal.aborted) setAnswer(found);
  };
  const searching = search.state?.kind === 'searching' ? search.state : null;
  return {
    asked,
    change,
    ask,
    stop: searching ? search.stop : drop,
    searching,
    waiting: answer === 'asked' || searching !== null,
    answer: answer === 'asked' ? null : (answer ?? answerOf(search.state)),
  };
}

/** By less than this part a plan is hardly better: no number would tell it. */
const NOTABLE = 0.0005;

/** What the best plan found so far is worth beside the one that holds. */
function sayBetter(better: number): string {
  if (better <= 0) return 'is the one that holds';
  const by = better < NOTABLE ? 'hardly' : `${(100 * better).toFixed(1)} in 100`;
  return `${by} better than the one that holds`;
}

/** How far the search for a better plan is. */
const saySearch = ({ tries, better }: { readonly tries: number; readonly better: number }): string =>
  tries === 0
    ? 'Looking …'
    : `Looking: ${tries.toLocaleString('en')} plans so far, the best one ${sayBetter(better)}.`;

/** Something tried beside the plan, and dropped or taken. */
export function WhatIf({ week, onClose }: { readonly week: LoadedWeek; readonly onClose: () => void }) {
  const { asked, change, ask, stop, searching, waiting, answer } = useAsked(week);
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
            {searching ? 'Enough: what was found' : 'Stop'}
          </button>
        )}
        <button type="button" className="button" onClick={onClose}>
          {tried ? 'Drop it' : 'Close'}
        </button>
      </div>
      {searching && <p className="text-quiet">{saySearch(searching)}</p>}
      <div role="status">
        {waiting && !searching && <p className="text-quiet">Planning …</p>}
        {wrong && <p className="text-rubric">◆ {wrong}</p>}
        {tried && <Outcome tried={tried} week={week} />}
      </div>
      <Trouble trouble={trouble} />
    </section>
  );
}
