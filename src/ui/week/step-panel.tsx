'use client';

import { useState } from 'react';
import type { LoadedWeek, WeekJob, WeekStep } from '../../server/week/load-week.ts';
import { dayOf, sayDay, sayWeekday } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import Link from '../kit/link.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import type { Wish } from './week-rows.tsx';
import { sayChance } from '../../core/schedule/say-chance.ts';
import { clock, typedMoment } from './week-time.ts';

const MINUTE = 60_000;
const WAITS = {
  word: 'Begins when the customer has answered.',
  part: 'Begins when its part has come.',
  rest: 'Begins when the instrument has rested.',
} as const;

const moment = (at: number, zone: string): string => `${sayWeekday(dayOf(at))}, ${clock(at, zone)}`;

/** When a job is ready, and how sure that is. */
export function ReadyWords({ job, week }: { readonly job: WeekJob; readonly week: LoadedWeek }) {
  if (job.ready === null) return <p className="text-rubric">◆ Not ready in the time that is known.</p>;
  return (
    <p>
      Ready {moment(job.ready, week.zone)}
      {job.neededBy && (
        <>
          ; wanted {sayDay(job.neededBy, week.today)}
          {job.hard && ', a date that stands'}
        </>
      )}
      {job.chance !== null && (
        <>
          :{' '}
          <b className={job.endangered ? 'text-rubric' : ''}>
            {job.endangered && '◆ '}
            {sayChance(job.chance)} in time
          </b>
        </>
      )}
      .
      {job.half !== null && job.likely !== null && job.sure !== null && (
        <span className="block text-sm text-quiet">
          50 in 100 by {sayWeekday(dayOf(job.half))}, 80 by {sayWeekday(dayOf(job.likely))}, 95 by{' '}
          {sayWeekday(dayOf(job.sure))}.
        </span>
      )}
    </p>
  );
}

/** Puts a step to somebody and on a moment, by fields. */
function PutForm({
  step,
  week,
  busy,
  onPut,
}: {
  readonly step: WeekStep;
  readonly week: LoadedWeek;
  readonly busy: boolean;
  readonly onPut: (wish: Wish) => void;
}) {
  const [worker, setWorker] = useState(String(step.worker));
  const [day, setDay] = useState(dayOf(step.start));
  const [minutes, setMinutes] = useState(String(step.inAll));
  const [time, setTime] = useState(clock(step.start, week.zone).padStart(5, '0'));
  const typed = typedMoment(day, time, week.today, week.zone);
  const wrong = typed.at === null ? typed : null;
  const lasts = /^\d+$/.test(minutes) && Number(minutes) >= 5 && Number(minutes) <= 4800;
  return (
    <form
      className="grid grid-cols-2 gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (typed.at === null || !lasts) return;
        const said = Number(minutes) === step.inAll ? undefined : Number(minutes);
        onPut({
          worker: Number(worker),
          at: Math.max(typed.at, week.now),
          ...(said !== undefined && { minutes: said }),
        });
      }}
    >
      <FormField label="Who" className="col-span-2">
        {(w) => (
          <ListChoice
            {...w}
            value={worker}
            items={week.workers.map((p) => ({ value: String(p.id), name: p.name }))}
            onChange={setWorker}
          />
        )}
      </FormField>
      <TextField label="Day" type="date" value={day} onChange={setDay} error={wrong?.day} />
      <TextField label="From" type="time" value={time} onChange={setTime} error={wrong?.time} />
      <TextField
        label="Minutes in all"
        inputMode="numeric"
        className="col-span-2"
        value={minutes}
        onChange={setMinutes}
        error={lasts ? undefined : '5 to 4800 whole minutes'}
      />
      <button type="submit" className="button button-main col-span-2" disabled={busy || wrong !== null}>
        Put it there
      </button>
    </form>
  );
}

/** Every step of a job in its order; one is gone to by a tap. */
function Thread({
  step,
  week,
  onChoose,
}: {
  readonly step: WeekStep;
  readonly week: LoadedWeek;
  readonly onChoose: (step: WeekStep) => void;
}) {
  const thread = week.steps.filter((s) => s.job === step.job).sort((a, b) => a.start - b.start);
  return (
    <div>
      <h3 className="font-bold">Its thread</h3>
      <ol className="text-sm">
        {thread.map((s) => (
          <li key={s.id}>
            <button
              type="button"
              className={`flex min-h-11 w-full items-center gap-2 border-b border-line text-left hover:bg-shade ${s.id === step.id ? 'font-bold' : ''}`}
              onClick={() => onChoose(s)}
            >
              <span className="w-40 shrink-0 tabular-nums">{moment(s.start, week.zone)}</span>
              <span className="min-w-0 flex-1">{s.title}</span>
              <span className="text-quiet">{week.workers.find((w) => w.id === s.worker)?.initials}</span>
            </button>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** Who does a step, when, how long it may take, and what it waits for. */
function StepWords({ step, week }: { readonly step: WeekStep; readonly week: LoadedWeek }) {
  const ends =
    dayOf(step.end) === dayOf(step.start) ? clock(step.end, week.zone) : moment(step.end, week.zone);
  const low = Math.round(step.minutes - step.shorter / MINUTE);
  const high = Math.round(step.minutes + step.longer / MINUTE);
  return (
    <p>
      {week.workers.find((w) => w.id === step.worker)?.name}, {moment(step.start, week.zone)} to {ends};{' '}
      {step.minutes} min{high > low && ` (${low} to ${high})`}.
      {step.inAll > step.minutes && <> {step.inAll - step.minutes} min of it are done.</>}
      {step.put?.minutes != null && <> So long by the word of who put it.</>}
      {step.free > step.end && !step.asks && <> It rests until {moment(step.free, week.zone)}.</>}
      {step.asks && <> Then the customer is asked, and likely answers by {moment(step.free, week.zone)}.</>}
      {step.waitsFor && <> {WAITS[step.waitsFor]}</>}
      {step.guess && <> Not decided yet: what such jobs take.</>}
      {step.running && <> It is worked on now.</>}
    </p>
  );
}

/** What is chosen on the board: the step, its job's thread, and where to put it. */
export function StepPanel({
  step,
  week,
  may,
  busy,
  onPut,
  onGiveBack,
  onChoose,
  onClose,
}: {
  readonly step: WeekStep;
  readonly week: LoadedWeek;
  readonly may: boolean;
  readonly busy: boolean;
  readonly onPut: (step: WeekStep, wish: Wish) => void;
  readonly onGiveBack: (step: WeekStep) => void;
  readonly onChoose: (step: WeekStep) => void;
  readonly onClose: () => void;
}) {
  const job = week.jobs.find((j) => j.id === step.job);
  const put =
    step.put !== null && (step.put.at !== null || step.put.worker !== null || step.put.minutes !== null);
  const form = { step, week, busy, onPut: (wish: Wish) => onPut(step, wish) };
  if (!job) return null;
  return (
    <section aria-label={`${job.number} ${step.title}`} className="space-y-4">
      <header className="flex items-start gap-3">
        <h2 className="flex-1 text-xl">
          <Link href={`/job/${job.number}/work`} className="hover:underline">
            <b className="font-serif">{job.number}</b> {step.title}
          </Link>
          <span className="block text-base font-normal text-quiet">
            {job.title}, {job.customer}
          </span>
        </h2>
        <button type="button" className="button" onClick={onClose}>
          Close
        </button>
      </header>
      <StepWords step={step} week={week} />
      <ReadyWords job={job} week={week} />
      {may && !step.running && (
        <PutForm key={`${step.id} ${step.start} ${step.worker} ${step.inAll}`} {...form} />
      )}
      {may && put && (
        <button type="button" className="button w-full" disabled={busy} onClick={() => onGiveBack(step)}>
          Give it back to the planner
        </button>
      )}
      <Thread step={step} week={week} onChoose={onChoose} />
    </section>
  );
}
