import type { Construction } from '../instrument/construction.ts';
import type { Matters } from '../instrument/matters.ts';
import type { Touch } from '../targets/target.ts';

/** What the counter may have left open. */
export interface Arrival {
  readonly phone: string;
  readonly email: string;
  readonly serial: string;
  readonly year: string;
  /** null where nobody said */
  readonly touch: Touch | null;
  readonly plays: string;
  /** null where nobody asked */
  readonly matters: Matters | null;
  /** it needs a set, and nobody said who pays for it */
  readonly setUnpaid: boolean;
  readonly wish: string;
  readonly neededBy: string | null;
  readonly limit: number | null;
  readonly construction: Pick<Construction, 'finish'>;
}

/**
 * What is not known yet about an arrival, in words: nothing of it was compulsory, all of it is worth asking.
 * @example everything blank → ['telephone or e-mail', 'serial number', …]
 */
export function unknownAtArrival(a: Arrival): readonly string[] {
  return [
    ...(a.phone === '' && a.email === '' ? ['telephone or e-mail'] : []),
    ...(a.serial === '' ? ['serial number'] : []),
    ...(a.year === '' ? ['year'] : []),
    ...(a.touch === null ? ['how hard they play'] : []),
    ...(a.plays === '' ? ['what they play'] : []),
    ...(a.matters === null ? ['whether it matters for its price or its history'] : []),
    ...(a.setUnpaid ? ['who pays for the set it needs'] : []),
    ...(a.wish === '' ? ['what they like or dislike'] : []),
    ...(a.neededBy === null ? ['the date it is needed'] : []),
    ...(a.limit === null ? ['the money limit'] : []),
    ...(a.construction.finish === 'unknown' ? ['the finish'] : []),
  ];
}
