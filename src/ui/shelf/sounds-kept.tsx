'use client';

import type { Biography } from '../../server/shelf/load-biography.ts';
import { dayOf, sayDate } from '../kit/dates.ts';
import { HearAgain } from '../readings/hear-again.tsx';

/** The plucks that are kept of it, the newest first. */
export function SoundsKept({ sounds }: { readonly sounds: Biography['sounds'] }) {
  if (sounds.length === 0) return null;
  return (
    <section aria-labelledby="sounds-kept">
      <h2 id="sounds-kept" className="text-xl">
        How it sounded
      </h2>
      <ul className="divide-y divide-line border-y border-line text-sm">
        {sounds.map((s) => (
          <li key={s.sound} className="flex flex-wrap items-center justify-between gap-2 py-1">
            <span>
              {s.label}{' '}
              <span className="text-quiet">
                {s.left ? 'as left' : 'as found'}, {s.job}, {sayDate(dayOf(s.at))}
              </span>
            </span>
            <HearAgain sound={s.sound} name={`Hear ${s.label}, ${s.job}`} />
          </li>
        ))}
      </ul>
    </section>
  );
}
