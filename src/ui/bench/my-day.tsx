import { dayOf, sayWeekday } from '../kit/dates.ts';
import Link from '../kit/link.tsx';
import type { LoadedWeek } from '../../server/week/load-week.ts';
import { beginsOn, stepsOn } from '../week/week-list.tsx';
import { clock } from '../week/week-time.ts';

/** Today, or where nothing is left of it the next day on which somebody has something to do. */
const nextDayOf = (week: LoadedWeek, person: number): string =>
  week.steps
    .filter((s) => s.worker === person)
    .flatMap((s) => s.pieces.map(([from]) => dayOf(from)))
    .sort()[0] ?? week.today;

/** The first thing the plan gives somebody; null where it has nothing for them. */
export function firstOfDay(
  week: LoadedWeek,
  person: number,
): { readonly number: number; readonly title: string; readonly at: string } | null {
  const day = nextDayOf(week, person);
  const [first] = stepsOn(week, person, day);
  const job = first && week.jobs.find((j) => j.id === first.job);
  if (!first || !job) return null;
  const when = clock(beginsOn(first, day), week.zone);
  return {
    number: job.number,
    title: first.title,
    at: day === week.today ? when : `${sayWeekday(day)}, ${when}`,
  };
}

/** What the plan gives somebody for today or their next day, in its order. */
export function MyDay({ week, person }: { readonly week: LoadedWeek; readonly person: number }) {
  const day = nextDayOf(week, person);
  const own = stepsOn(week, person, day);
  if (!week.workers.some((w) => w.id === person)) return null;
  const jobs = new Map(week.jobs.map((j) => [j.id, j]));
  return (
    <section aria-labelledby="my-day">
      <h2 id="my-day" className="text-xl">
        My day{day !== week.today && `: ${sayWeekday(day)}`}
      </h2>
      {own.length === 0 && <p className="text-quiet">The plan has nothing for you.</p>}
      <ol>
        {own.map((s) => {
          const job = jobs.get(s.job);
          return (
            <li key={s.id} className="border-b border-line">
              <Link
                href={`/job/${job?.number ?? 0}/work`}
                className="flex min-h-11 items-baseline gap-3 py-1.5 hover:bg-shade"
              >
                <span className="w-12 shrink-0 text-sm tabular-nums">
                  {clock(beginsOn(s, day), week.zone)}
                </span>
                <b className="font-serif text-lg">{job?.number}</b>
                <span className="min-w-0 flex-1">
                  {s.title}
                  {s.guess && <span className="text-sm text-quiet">, likely</span>}
                  {job?.endangered && <span className="text-sm text-rubric"> ◆ in danger</span>}
                </span>
                <span className="text-sm text-quiet">{s.minutes} min</span>
              </Link>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
