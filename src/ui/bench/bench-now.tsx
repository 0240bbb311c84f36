'use client';

import Link from '../kit/link.tsx';
import type { BenchJob } from '../../server/bench/load-bench-job.ts';
import { sayDay, todayIso } from '../kit/dates.ts';
import { ReadFirst, StringsFirst } from '../work/order-list.tsx';
import { HandedOn } from '../work/hand-on.tsx';
import { RemarksPanel } from '../work/remarks-panel.tsx';
import { StepCard } from '../work/step-card.tsx';

/** The one step in these hands, large; what it rests on, what was said over it. */
export function BenchNow({
  job,
  lineId,
  first,
  may,
}: {
  readonly job: BenchJob | null;
  readonly lineId: number | null;
  /** what the plan has for them first, where nothing is in their hands */
  readonly first: { readonly number: number; readonly title: string; readonly at: string } | null;
  readonly may: boolean;
}) {
  const line = job?.lines.find((l) => l.id === lineId);
  if (!job || !line)
    return (
      <section aria-label="Now" className="space-y-3 self-start border-l-4 border-plain bg-card p-5">
        <p className="text-lg">Nothing is in your hands. Take up a step at the right.</p>
        {first !== null && (
          <p className="flex flex-wrap items-center gap-3">
            The week has for you first: {first.title}, {first.at}.
            <Link href={`/job/${first.number}/work`} className="button">
              Open {first.number}
            </Link>
          </p>
        )}
      </section>
    );
  const read = job.queue.find((n) => n.kind === 'read' && n.before === line.id);
  const after = job.lines.filter(
    (l) => l.approval === 'yes' && l.step !== 'finished' && l.id !== line.id && !l.still,
  );
  return (
    <section aria-label="Now" className="space-y-3">
      <div className="space-y-3 border-l-4 border-plain bg-card p-5">
        <p className="flex flex-wrap items-baseline gap-x-3 text-lg">
          <Link href={`/job/${job.number}/work`} className="font-serif text-2xl font-bold underline">
            {job.number}
          </Link>
          {job.instrument.name}
          <span className="text-quiet">
            {job.place ?? 'no place'}
            {job.neededBy && ` · by ${sayDay(job.neededBy, todayIso())}`}
          </span>
        </p>
        {read?.kind === 'read' && !line.hinders.some((h) => h.kind === 'reading') && (
          <ReadFirst number={job.number} places={read.places} />
        )}
        <StringsFirst line={line} />
        <StepCard job={job} line={line} may={may} large />
        {after.length > 0 && (
          <p className="text-sm text-quiet">Then on this one: {after.map((l) => l.title).join(', ')}.</p>
        )}
      </div>
      <HandedOn job={job} />
      <RemarksPanel job={job} may />
    </section>
  );
}
