'use client';

import { CAUSES } from '../../core/hunt/causes.ts';
import { answerWords, TRIES } from '../../core/hunt/tries.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { dayOf, sayDate } from '../kit/dates.ts';
import Link from '../kit/link.tsx';

type Hunts = LeafProps<'huntsBefore'>['job']['huntsBefore'];

/** What was hunted on this instrument at other visits: nobody starts again. */
export function HuntsBefore({ hunts }: { readonly hunts: Hunts }) {
  if (hunts.length === 0) return null;
  return (
    <section aria-label="Hunted at other visits" className="mt-4 text-sm">
      <h3 className="font-semibold">Hunted at other visits</h3>
      <ul className="divide-y divide-line border-y border-line">
        {hunts.map((h) => (
          <li key={h.job} className="py-1">
            <Link href={`/job/${h.job}/plan#noise`} className="underline">
              {h.job}, {sayDate(dayOf(h.takenInAt))}
            </Link>
            :{' '}
            <b>
              {h.ended === null
                ? 'not ended'
                : h.ended.cause === null
                  ? 'left unfound'
                  : `found: ${CAUSES[h.ended.cause].name}`}
            </b>
            <span className="block text-quiet">
              {h.trail.map((e) => `${TRIES[e.what].name}: ${answerWords(e.what, e.answer)}`).join(' · ')}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
