import { sayEntry } from '../readings/entry.ts';
import type { LengthUnit } from '../units/length-units.ts';
import type { Reach } from './reach.ts';
import { WATCHED, type WatchedId } from './watched.ts';

/** How lengths and months are said. */
export interface Saying {
  /** the unit of heights, and of small gaps */
  readonly unit: { readonly heights: LengthUnit; readonly gaps: LengthUnit };
  /** a moment by its month: `March 2027` */
  readonly month: (at: number) => string;
}

const unitFor = (what: WatchedId, { unit }: Saying): LengthUnit =>
  WATCHED[what].quantity === 'action' ? unit.heights : unit.gaps;

/** A value of something watched. */
export const sayWatched = (what: WatchedId, value: number, say: Saying): string =>
  sayEntry(value, WATCHED[what].quantity, unitFor(what, say));

/** A limit in words: `not over 7/64`. */
export const sayLimit = (
  {
    what,
    limit,
    side,
  }: { readonly what: WatchedId; readonly limit: number; readonly side: 'above' | 'below' },
  say: Saying,
): string => `not ${side === 'above' ? 'over' : 'under'} ${sayWatched(what, limit, say)}`;

/** How something stands to its limit, in words. */
export function sayReach(what: WatchedId, reach: Reach, say: Saying): string {
  if (reach.state === 'not read') return 'not read yet';
  const reads = `reads ${sayWatched(what, reach.value, say)}`;
  switch (reach.state) {
    case 'reached':
      return `${reads}: past its limit`;
    case 'coming': {
      const late = reach.late === null ? 'or much later' : `${say.month(reach.late)} at the latest`;
      return `${reads}; past its limit probably by ${say.month(reach.likely)}, ${say.month(reach.early)} at the earliest, ${late}, in nine of ten such cases`;
    }
    case 'far':
      return `${reads}; by what it did so far its limit is far off`;
    case 'unclear':
      return reach.few
        ? `${reads}; how it goes cannot be told yet: that takes three visits`
        : `${reads}; its visits so far show no clear way`;
  }
}
