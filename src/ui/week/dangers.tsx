'use client';

import { useState } from 'react';
import type { LoadedWeek, WeekJob } from '../../server/week/load-week.ts';
import type { ShownRemedy } from '../../server/week/try-week.ts';
import { useSend } from '../data/use-send.ts';
import { sayDay } from '../kit/dates.ts';
import Link from '../kit/link.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { placesOf } from './places-of.ts';
import { sayChance } from '../../core/schedule/say-chance.ts';

const says = (r: ShownRemedy): string => `${r.says.charAt(0).toUpperCase()}${r.says.slice(1)}`;

/** One way as it came out, with whom it costs something. */
function Way({
  way,
  busy,
  onTake,
}: {
  readonly way: ShownRemedy;
  readonly busy: boolean;
  readonly onTake: () => void;
}) {
  const costs = way.others.map((o) => `${o.job} (${sayChance(o.was)} to ${sayChance(o.is)})`).join(', ');
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span className="min-w-0 flex-1">
        {says(way)}: {sayChance(way.was)} becomes <b>{sayChance(way.is)}</b>.
        {costs !== '' && <span className="text-sm text-quiet"> Costs: {costs}.</span>}
      </span>
      {(way.put !== null || way.longer !== null || (way.moved?.length ?? 0) > 0) && (
        <button type="button" className="button" disabled={busy} onClick={onTake}>
          {way.longer === null ? 'Do that' : 'They agreed: plan by it'}
        </button>
      )}
    </li>
  );
}

type Found = readonly ShownRemedy[] | 'asked' | 'away' | null;

/** Asks the house for ways that were tried. */
async function askWays(jobId: number): Promise<Found> {
  const answer = await fetch(`/api/week/remedies?job=${jobId}`, { cache: 'no-store' }).catch(() => null);
  return answer?.ok ? ((await answer.json()) as readonly ShownRemedy[]) : 'away';
}

/** Ways that would save a date, each tried by the planner; taken by a tap where it is ours to take. */
function Remedies({ job, onDone }: { readonly job: WeekJob; readonly onDone: () => void }) {
  const [found, setFound] = useState<Found>(null);
  const { give, busy, trouble } = useSend();
  const ask = async () => {
    setFound('asked');
    setFound(await askWays(job.id));
  };
  const take = async (r: ShownRemedy) => {
    const why = `${job.number}: ${r.says}`.slice(0, 160);
    const steps = placesOf(r.moved ?? []);
    const first = r.put
      ? await give('week.put', { ...r.put, at: null })
      : r.longer
        ? await give('week.longer', r.longer)
        : steps;
    if (!first) return;
    // What comes into the hours that were won is put there with them.
    if (!r.put && steps.length > 0 && !(await give('week.take', { steps, why }))) return;
    onDone();
  };
  if (found === null)
    return (
      <button type="button" className="button" onClick={() => void ask()}>
        What would save it?
      </button>
    );
  if (found === 'asked') return <p className="text-quiet">Trying ways …</p>;
  if (found === 'away') return <p className="text-rubric">◆ The house did not answer. Try again.</p>;
  if (found.length === 0)
    return (
      <p className="basis-full">
        Nothing that was tried makes it clearly more likely. Talk to the customer about the date.
      </p>
    );
  return (
    <ul
      className="basis-full space-y-2 border-l-2 border-line pl-3"
      aria-label={`Ways to save ${job.number}`}
    >
      {found.map((r) => (
        <Way key={r.says} way={r} busy={busy} onTake={() => void take(r)} />
      ))}
      <Trouble trouble={trouble} />
    </ul>
  );
}

/** Promises in danger, each with its reason; nothing where there are none. */
export function Dangers({ week, may }: { readonly week: LoadedWeek; readonly may: boolean }) {
  const [round, setRound] = useState(0);
  const endangered = week.jobs
    .filter((j) => j.endangered)
    .sort((a, b) => Number(b.hard) - Number(a.hard) || (a.due ?? 0) - (b.due ?? 0));
  if (endangered.length === 0) return null;
  return (
    <section aria-label="Promises in danger" className="border-b-2 border-plain bg-shade px-5 py-3">
      <h2 className="mb-1 text-lg">
        {endangered.length === 1 ? 'One promise is' : `${endangered.length} promises are`} in danger
      </h2>
      <ul className="space-y-2">
        {endangered.map((j) => (
          <li key={`${j.id} ${round}`} className="flex flex-wrap items-start gap-x-4 gap-y-1 max-sm:flex-col">
            <span className="min-w-0 flex-1">
              <Link href={`/job/${j.number}/work`} className="hover:underline">
                <b className="font-serif text-rubric">◆ {j.number}</b> {j.title}, {j.customer}
              </Link>
              {j.neededBy && (
                <>
                  , wanted {sayDay(j.neededBy, week.today)}
                  {j.hard && ' (the date stands)'}
                </>
              )}
              : {sayChance(j.chance ?? 0)} in time.
              {j.why.length > 0 && ` ${sentence(j.why)}`}
            </span>
            {may && (j.due ?? Infinity) > week.now && (
              <Remedies job={j} onDone={() => setRound((n) => n + 1)} />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Reasons as one sentence: `The jig is taken …; the rest … ends …`. */
function sentence(why: readonly string[]): string {
  const all = why.join('; ');
  return `${all.charAt(0).toUpperCase()}${all.slice(1)}.`;
}
