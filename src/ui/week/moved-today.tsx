'use client';

import type { LoadedWeek } from '../../server/week/load-week.ts';
import { sayMoment } from '../kit/dates.ts';

type Moved = LoadedWeek['moved'][number];
const said = (at: number): string => sayMoment(new Date(at).toISOString());

/** A step that had to move, and behind it what only moved with it. */
interface Shift {
  readonly first: Moved;
  readonly withIt: readonly Moved[];
}

/** Steps job by job, as the house tells them, each with those that follow it. */
function shiftsOf(moved: readonly Moved[]): Shift[] {
  const shifts: { readonly first: Moved; readonly withIt: Moved[] }[] = [];
  for (const m of moved) {
    const last = shifts.at(-1);
    if (m.follows && last?.first.job === m.job) last.withIt.push(m);
    else shifts.push({ first: m, withIt: [] });
  }
  return shifts;
}

/** What the plan moved by itself today: where it stood, where it stands, and why. Nothing where nothing moved. */
export function MovedToday({ week }: { readonly week: LoadedWeek }) {
  const { moved } = week;
  if (moved.length === 0) return null;
  const name = (id: number): string => week.workers.find((w) => w.id === id)?.name ?? 'somebody else';
  return (
    <details className="border-b border-line px-5 py-2">
      <summary className="cursor-pointer">
        {moved.length === 1 ? 'One step was' : `${moved.length} steps were`} moved by the plan itself today
      </summary>
      <ul
        className="mt-2 max-h-80 space-y-2 overflow-y-auto"
        aria-label="Moved by the plan today"
        tabIndex={0}
      >
        {shiftsOf(moved).map(({ first: m, withIt }) => (
          <li key={m.step}>
            <b>{m.job}</b> {m.title}:{' '}
            <s className="text-quiet">
              {name(m.was.worker)}, {said(m.was.start)}
            </s>{' '}
            → {name(m.is.worker)}, {said(m.is.start)}. <span className="text-quiet">Because {m.why}.</span>
            {withIt.length > 0 && (
              <span className="block pl-8 text-sm text-quiet">
                With it:{' '}
                {withIt.map((f) => `${f.title} (${name(f.is.worker)}, ${said(f.is.start)})`).join('; ')}.
              </span>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}
