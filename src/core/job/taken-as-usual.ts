import type { AssumedFact } from '../instrument/assumable.ts';
import { ASSUMED_FACTS, ASSUMED_NAMES } from '../instrument/assumable.ts';
import type { Construction } from '../instrument/construction.ts';
import type { Touch } from '../targets/target.ts';

/** What a plan does not go by: it may stay unseen until something is wiped or wired. */
const BESIDE_THE_PLAN: ReadonlySet<AssumedFact> = new Set([
  'finish',
  'fingerboard',
  'electronics',
  'vibrato',
]);

/**
 * What a plan takes as usual since nobody said or saw it: the hand, and how the instrument is built.
 * @param touch null where nobody said
 */
export function takenAsUsual(touch: Touch | null, c: Pick<Construction, 'assumed'>): readonly string[] {
  const unseen = ASSUMED_FACTS.filter((f) => c.assumed?.includes(f) && !BESIDE_THE_PLAN.has(f));
  return [
    ...(touch === null ? ['How hard it is played was not said: planned for a medium touch.'] : []),
    ...(unseen.length === 0
      ? []
      : [
          `Nobody has looked yet, so it stands as is usual for its kind: ${unseen.map((f) => ASSUMED_NAMES[f]).join(', ')}.`,
        ]),
  ];
}
