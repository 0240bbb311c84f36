import { holds, type Condition, type FactsOfConditions } from '../instrument/condition.ts';
import { HAVING } from '../instrument/having.ts';
import { CAUSE_IDS, type CauseId } from './causes.ts';
import { TRY_IDS, type TryId } from './tries.ts';

/** What an instrument has to have for a cause to be one; any other can be on every instrument. */
const CAUSE_FITS: Readonly<Partial<Record<CauseId, Condition>>> = {
  'saddle-part': HAVING.screwed,
  brace: HAVING.hollow,
  wire: HAVING.wired,
  rod: HAVING.rod,
};

/** What it has to have for a try; a rod is not turned for one where the neck has to come off for that. */
const TRY_FITS: Readonly<Partial<Record<TryId, Condition>>> = {
  'behind-bridge': HAVING['behind-saddle'],
  bridge: HAVING.screwed,
  wires: HAVING.wired,
  inside: HAVING.hollow,
  rod: HAVING['rod-in-place'],
};

/** The causes an instrument can have; every one where nothing is known of it. */
export const causesOf = (built: FactsOfConditions | null): readonly CauseId[] =>
  CAUSE_IDS.filter((id) => built === null || holds(CAUSE_FITS[id] ?? HAVING.always, built));

/** The tries there are for an instrument; every one where nothing is known of it. */
export const triesOn = (built: FactsOfConditions | null): readonly TryId[] =>
  TRY_IDS.filter((id) => built === null || holds(TRY_FITS[id] ?? HAVING.always, built));
