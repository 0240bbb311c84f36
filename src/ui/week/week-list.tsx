import type { ReactNode } from 'react';
import { sayWeekday, dayOf } from '../kit/dates.ts';
import Link from '../kit/link.tsx';
import type { LoadedWeek, WeekJob, WeekStep } from '../../server/week/load-week.ts';
import { clock, sayRested } from './week-time.ts';

/** What somebody does on a day, in its order. */
export const stepsOn = (week: LoadedWeek, worker: number, day: string): WeekStep[] =>
  week.steps
    .filter((s) => s.worker === worker && s.pieces.some(([from]) => dayOf(from) === day))
    .sort((a, b) => a.start - b.start);

/** When a step begins, or goes on, on a day. */
export const beginsOn = (s: WeekStep, day: string): number =>
  s.pieces.find(([from]) => dayOf(from) === day)?.[0] ?? s.start;

function Line({
  step,
  job,
  at,
  zone,
}: {
  readonly step: WeekStep;
  readonly job: WeekJob | undefined;
  readonly at: number;
  readonly zone: string;
}) {
  return (
    <li className="border-b border-line">
      <Link
        href={`/job/${job?.number ?? 0}/work`}
        className="flex min-h-11 flex-wrap items-baseline gap-x-3 py-1.5 hover:bg-shade"
      >
        <span className="w-12 tabular-nums">{clock(at, zone)}</span>
        <b className="font-serif text-lg">{job?.number}</b>
        <span className="min-w-0 flex-1">
          {step.title}
          <span className="text-sm text-quiet">
            {' '}
            {job?.title}
            {step.guess && ', likely'}
            {step.put?.at && ', put there'}
          </span>
        </span>
        {job?.endangered && <span className="text-sm text-rubric">◆ in danger</span>}
        <span className="text-sm text-quiet">{step.minutes} min</span>
      </Link>
    </li>
  );
}

/** What falls on a day without anybody's hands. */
function OfDay({
  href,
  number,
  children,
}: {
  readonly href: string;
  readonly number: number;
  readonly children: ReactNode;
}) {
  return (
    <p className="border-b border-line">
      <Link href={href} className="inline-flex min-h-11 items-center gap-3 hover:underline">
        <b className="font-serif text-lg">{number}</b> <span>{children}</span>
      </Link>
    </p>
  );
}

function Day({ week, day }: { readonly week: LoadedWeek; readonly day: string }) {
  const jobs = new Map(week.jobs.map((j) => [j.id, j]));
  const rows = week.workers.flatMap((w) => {
    const steps = stepsOn(week, w.id, day);
    const gone = week.away.find((a) => a.personId === w.id && a.firstDay <= day && day <= a.lastDay);
    return steps.length > 0 || gone ? [{ w, steps, gone }] : [];
  });
  const checks = week.checks.filter((c) => c.day === day);
  const rested = week.resting.filter((r) => dayOf(r.until) === day);
  if (rows.length + checks.length + rested.length === 0) return null;
  return (
    <section aria-label={sayWeekday(day)}>
      <h2 className="border-b border-plain text-xl">{sayWeekday(day)}</h2>
      {rested.map((r) => (
        <OfDay key={`${r.number} ${r.why}`} href={`/job/${r.number}/work`} number={r.number}>
          {sayRested(r.why, clock(r.until, week.zone))}
          {r.held && `, in ${week.spots.find((s) => s.id === r.held?.spot)?.name ?? 'its clamp'}`}
        </OfDay>
      ))}
      {checks.map((c) => (
        <OfDay key={c.number} href={`/job/${c.number}/hand-over`} number={c.number}>
          {c.customer}: the check after it has settled
        </OfDay>
      ))}
      {rows.map(({ w, steps, gone }) => (
        <div key={w.id} className="mt-2">
          <h3 className="font-bold">
            {w.name}
            {gone && (
              <span className="font-normal text-quiet"> is not here{gone.why && `: ${gone.why}`}</span>
            )}
          </h3>
          <ol>
            {steps.map((s) => (
              <Line key={s.id} step={s} job={jobs.get(s.job)} at={beginsOn(s, day)} zone={week.zone} />
            ))}
          </ol>
        </div>
      ))}
    </section>
  );
}

/** The same plan as a list: day by day, everybody's steps in their order. For a phone, a reader, and paper. */
export function WeekList({ week, days }: { readonly week: LoadedWeek; readonly days: readonly string[] }) {
  return (
    <div className="space-y-6">
      {days.map((day) => (
        <Day key={day} week={week} day={day} />
      ))}
    </div>
  );
}
