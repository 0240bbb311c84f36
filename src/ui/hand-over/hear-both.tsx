'use client';

import { comparePlucks, pluckPairs } from '../../core/hand-over/plucks.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { HearAgain } from '../readings/hear-again.tsx';

/** The plucks that were kept with the readings, as found beside as left: heard one after the other, and how much each buzzes. */
export function HearBoth({ job }: { readonly job: LeafJob }) {
  const pairs = pluckPairs(job.readings.readings);
  if (pairs.length === 0) return null;
  const labels = new Map(job.readings.stations.map((s) => [s.key, s.label]));
  return (
    <section aria-labelledby="hear-both" className="mt-4">
      <h2 id="hear-both" className="mb-1 text-xl">
        Hear before and after
      </h2>
      <ul className="divide-y divide-line border-y border-line text-sm">
        {pairs.map(({ key, found, left }) => (
          <li key={key} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1">
            <span className="w-56">{labels.get(key) ?? key}</span>
            {found && <HearAgain sound={found.sound} name="As found" />}
            {left && <HearAgain sound={left.sound} name="As left" />}
            <span>{comparePlucks(found, left)}</span>
          </li>
        ))}
      </ul>
      <p className="text-sm text-quiet">Buzz: 0 is clear, 1 rattles; measured from the pluck itself.</p>
    </section>
  );
}
