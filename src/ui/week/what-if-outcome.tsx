import type { MovedJob, TriedWeek } from '../../core/schedule/difference.ts';
import { sayChance } from '../../core/schedule/say-chance.ts';
import type { LoadedWeek } from '../../server/week/load-week.ts';
import { dayOf, sayWeekday } from '../kit/dates.ts';
import { clock } from './week-time.ts';

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
export function Outcome({ tried, week }: { readonly tried: TriedWeek; readonly week: LoadedWeek }) {
  const name = (id: number): string => week.workers.find((w) => w.id === id)?.name ?? '';
  const now = tried.moved.filter((m) => m.was !== null && m.is !== null);
  return (
    <div className="space-y-3">
      <p>
        {now.length === 0
          ? 'No step moves.'
          : `${now.length} ${now.length === 1 ? 'step moves' : 'steps move'}.`}
        {tried.gap !== null &&
          ` What was found is at most ${Math.max(1, Math.round(100 * tried.gap))} in 100 from the best plan there can be around what runs and what somebody put somewhere.`}
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
