import Link from '../kit/link.tsx';
import { useWords } from '../data/display-unit.ts';
import type { LeafJob } from '../job/leaf-props.ts';

const MOST = 4;

/** Since which work a place is stale. */
function sinceOf(job: LeafJob, key: string | undefined): string {
  const why = job.readings.readings.filter((r) => r.key === key && r.stale !== null).at(-1)?.stale;
  return why ? ` since: ${why.toLowerCase()}` : '';
}

interface Said {
  readonly key: string;
  readonly title: string;
  readonly red: boolean;
  readonly text: string;
}

/** What a job's readings mean, the most pressing first. */
function saidOf(job: LeafJob, words: (kept: string) => string): readonly Said[] {
  const decided = new Set(job.decisions.map((d) => d.line));
  const { lines, leave, missing, stale } = job.proposal;
  const open = job.state === 'open' ? lines.filter((l) => !decided.has(l.key)) : [];
  const label = (key: string) => job.readings.stations.find((s) => s.key === key)?.label ?? key;
  return [
    ...(stale.length > 0 && job.state === 'open'
      ? [
          {
            key: 'stale',
            title: 'Read again',
            red: true,
            text: `In this order: ${stale.slice(0, 3).map(label).join(', ')}${stale.length > 3 ? ' …' : '.'} ${stale.length} readings are stale${sinceOf(job, stale[0])}.`,
          },
        ]
      : []),
    ...open.map((l) => ({ key: l.key, title: l.title, red: true, text: words(l.says) })),
    ...leave.map((text) => ({
      key: text,
      title: text.split(':')[0] ?? '',
      red: false,
      text: 'In its band. Leave it.',
    })),
    ...(missing.length > 0
      ? [
          {
            key: 'missing',
            title: 'Still to read',
            red: false,
            text: `${missing.slice(0, 4).map(label).join(', ')}${missing.length > 4 ? `, ${missing.length - 4} more` : ''}.`,
          },
        ]
      : []),
  ];
}

/** What the readings mean, in words, a red initial where a decision is wanted. */
export function Sentences({ job }: { readonly job: LeafJob }) {
  const cells = saidOf(job, useWords());
  return (
    <section
      aria-label="What it means"
      className="grid grid-cols-4 border-t border-line max-lg:grid-cols-2 max-sm:grid-cols-1"
    >
      {cells.slice(0, MOST).map((cell) => (
        <div key={cell.key} className="border-r border-line px-4 py-1.5 text-sm last:border-r-0">
          <h2 className="text-base leading-tight">
            {cell.red ? (
              <>
                <span className="text-2xl text-rubric">{cell.title.charAt(0)}</span>
                {cell.title.slice(1)}
              </>
            ) : (
              cell.title
            )}
          </h2>
          <p className="line-clamp-4">{cell.text}</p>
        </div>
      ))}
      {cells.length > MOST && (
        <Link
          href={`/job/${job.number}/plan`}
          className="col-span-full inline-flex min-h-8 items-center px-4 underline"
        >
          {cells.length - MOST} more on the Plan
        </Link>
      )}
    </section>
  );
}
