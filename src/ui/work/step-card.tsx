'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { TriangleAlert } from 'lucide-react';
import { Suspense, useState } from 'react';
import { sayLeft } from '../../core/days/say-left.ts';
import { useNow } from '../frame/bell.tsx';
import type { BenchJob } from '../../server/bench/load-bench-job.ts';
import { PhotoStrip } from '../photos/photo-strip.tsx';
import { useQueuedFor } from '../data/command-queue.ts';
import { Trouble } from '../kit/trouble.tsx';
import { useWords } from '../data/display-unit.ts';
import { useSend } from '../data/use-send.ts';
import { Clock, type Line } from './clock.tsx';

/** Turns and cuts read what is typed: they come where a rod, a saddle or a nut is on the order. */
const PutOn = lazyPart(() => import('./put-on.tsx').then((m) => m.PutOn));
const Hinders = lazyPart(() => import('./hinders.tsx').then((m) => m.Hinders));
const CareOfJob = lazyPart(() => import('../care/care-of-job.tsx').then((m) => m.CareOfJob));
const CorrectClock = lazyPart(() => import('./correct-clock.tsx').then((m) => m.CorrectClock));
const StepLog = lazyPart(() => import('./step-log.tsx').then((m) => m.StepLog));

type Action = 'start' | 'pause' | 'finish' | 'reopen' | 'undo';
const BECOMES: Readonly<Record<Exclude<Action, 'undo'>, Line['step']>> = {
  start: 'running',
  pause: 'paused',
  finish: 'finished',
  reopen: 'paused',
};

/** A step as it stands once what was tapped without a connection has arrived. */
function useStanding(line: Line): { step: Line['step']; since: string | null; unsent: boolean } {
  const queued = useQueuedFor(`line:${line.id}`);
  const action = queued?.input['action'] as Action | undefined;
  if (!queued || action === undefined || action === 'undo')
    return { step: line.step, since: line.runningSince, unsent: queued !== null };
  const step = BECOMES[action];
  return { step, since: step === 'running' ? queued.at : null, unsent: true };
}

function Hazards({ line }: { readonly line: Line }) {
  if (line.hazards.length === 0) return null;
  return (
    <div className="text-sm">
      <p className="text-quiet">
        Beware. The product’s safety sheet, local rules and licensed people come first:
      </p>
      {line.hazards.map((h) => (
        <p key={h}>
          <TriangleAlert aria-hidden size={15} className="inline align-[-2px]" /> {h}
        </p>
      ))}
      {line.wear.length > 0 && (
        <p>
          Before hands go on: <b>{line.wear.join(', ')}</b>
        </p>
      )}
    </div>
  );
}

function Resting({ line, now }: { readonly line: Line; readonly now: number }) {
  if (line.wait === 0 || line.finishedAt === null || now === 0) return null;
  const until = Date.parse(line.finishedAt) + line.wait * 60_000;
  if (until <= now) return null;
  return <span className="text-ink"> · rests: {sayLeft(now, until)} left</span>;
}

const SLIP_MS = 15 * 60_000;

/** Whether what was done last on a step is so fresh that a slip can be taken back. */
function isFresh(line: Line, now: number): boolean {
  const clock = line.clocks.at(-1);
  const last = Math.max(...[line.finishedAt, clock?.from, clock?.to].map((t) => (t ? Date.parse(t) : 0)));
  return now > 0 && last > 0 && now - last < SLIP_MS;
}

const sayWait = (minutes: number): string =>
  minutes < 60
    ? `${minutes} min`
    : minutes < 48 * 60
      ? `${Math.round(minutes / 60)} h`
      : `${Math.round(minutes / 1440)} days`;

/** One step of the work: what to do, what it rests on, what to fetch, what to beware of, its clock and its buttons. */
export function StepCard({
  job,
  line,
  may,
  large = false,
}: {
  readonly job: Pick<BenchJob, 'id' | 'number' | 'photos' | 'stringsState' | 'waits'> & {
    readonly instrument: Pick<BenchJob['instrument'], 'construction'>;
  };
  readonly line: Line;
  readonly may: boolean;
  readonly large?: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const [stringing, setStringing] = useState(false);
  const { step, since, unsent } = useStanding(line);
  const act = (action: Action, without = '') =>
    void give('work.step', {
      lineId: line.id,
      version: line.version,
      action,
      ...(without !== '' && { without }),
    });
  const button = (action: Action, name: string, main = false) => (
    <button
      type="button"
      className={`button ${main ? 'button-main' : ''} ${large ? 'min-h-14 px-6 text-lg' : ''}`}
      disabled={busy}
      aria-label={`${name}: ${line.title}`}
      // Which strings went on is said with it: that finishes it.
      onClick={() => (action === 'finish' && line.saysStrings ? setStringing(true) : act(action))}
    >
      {name}
    </button>
  );
  const now = useNow();
  const words = useWords();
  const finished = step === 'finished';
  // A rest that is over hinders nothing, whether or not the page was told.
  const hinders = line.hinders.filter((h) => (h.until ?? now) >= now);
  const hindered = !finished && step !== 'running' && hinders.length > 0;
  const shown = trouble?.code === 'invalid' ? null : trouble;
  return (
    <div className="space-y-2" data-step={step}>
      <div className="flex flex-wrap items-start gap-3">
        <div className="min-w-[min(15rem,100%)] flex-1">
          <h3 className={large ? 'text-3xl leading-tight' : 'text-lg leading-tight'}>
            {finished && <span aria-hidden>✓ </span>}
            {line.title} <span className="text-sm text-quiet">{step}</span>
            {unsent && <span className="text-sm text-ink"> · unsent</span>}
          </h3>
          {line.found !== null && <p className="text-ink">Found while inside: {line.found}</p>}
          {line.detail && <p className={large ? 'text-lg' : ''}>{words(line.detail)}</p>}
          <p className="text-sm text-quiet">
            <Clock line={line} since={since} />
            {line.runningBy && !unsent && <span className="text-ink"> · {line.runningBy} at it</span>}
            {finished && line.finishedBy && <span className="text-ink"> · {line.finishedBy}</span>}
            {line.wait > 0 && ` · then rests ${sayWait(line.wait)}`}
            <Resting line={line} now={now} />
            {line.forGood !== '' && ` · ${line.forGood}`}
          </p>
          {!finished && line.fetch.length > 0 && (
            <p className="text-sm">
              <span className="text-quiet">Fetch:</span> {line.fetch.join(', ')}
            </p>
          )}
          {!finished && <Hazards line={line} />}
          {!finished && line.cared && (
            <Suspense>
              <CareOfJob number={job.number} at="operations" id={line.operation} />
            </Suspense>
          )}
        </div>
        {may && (
          <div className="flex flex-wrap gap-2">
            {(step === 'ready' || step === 'paused') &&
              !hindered &&
              button('start', step === 'ready' ? 'Start' : 'Go on', true)}
            {step === 'running' && button('pause', 'Pause')}
            {(step === 'running' || step === 'paused') && button('finish', 'Finish', step === 'running')}
            {finished && button('reopen', 'Not finished')}
            {isFresh(line, now) && button('undo', 'Undo')}
          </div>
        )}
      </div>
      {(line.rod ?? line.cuts) !== null && (
        <Suspense>
          <StepLog line={line} may={may} />
        </Suspense>
      )}
      {hindered && (
        <Suspense>
          <Hinders
            job={job}
            line={line}
            hinders={hinders}
            onWithout={may ? (reason) => act('start', reason) : null}
          />
        </Suspense>
      )}
      {line.clocks.some((c) => c.correction !== '') && (
        <p className="text-sm text-quiet">
          Clock put right:{' '}
          {line.clocks
            .filter((c) => c.correction !== '')
            .map((c) => `${c.by}, ${c.correction}`)
            .join('; ')}
          .
        </p>
      )}
      {(large || line.clocks.some((c) => c.forgotten)) && (
        <Suspense>
          <CorrectClock line={line} may={may} />
        </Suspense>
      )}
      {(large || step === 'running' || job.photos.some((p) => p.item === `line:${line.id}`)) && (
        <PhotoStrip
          job={job}
          target={{ item: `line:${line.id}` }}
          about={line.title}
          may={may && step !== 'ready'}
        />
      )}
      {stringing && (
        <Suspense>
          <PutOn
            job={{ ...job, construction: job.instrument.construction }}
            steps={[line]}
            onClose={() => setStringing(false)}
          />
        </Suspense>
      )}
      <Trouble trouble={shown} />
      {trouble?.code === 'invalid' && <Trouble trouble={trouble} />}
    </div>
  );
}
