import type { Quantity } from '../readings/quantities.ts';
import type { Station } from '../readings/stations.ts';
import type { ChecklistItem } from './checklist.ts';

/** The frets whose height an inspection reads: the first ones wear most, the 12th least. */
const LOOKED_AT: ReadonlySet<number> = new Set([1, 5, 12]);

type Asks = Pick<ChecklistItem, 'key'> & { readonly reading?: Quantity | undefined };
type Place = Pick<Station, 'quantity' | 'fret' | 'string' | 'optional'>;

/** Of a quantity that is read at many places, those that an item asks for. */
function asked<S extends Place>(item: Asks, all: readonly S[]): readonly S[] {
  const last = Math.max(...all.map((s) => s.fret));
  const [low, high] = [Math.max(...all.map((s) => s.string)), 1];
  switch (item.reading) {
    case 'fret-height':
      return all.filter((s) => LOOKED_AT.has(s.fret));
    case 'action':
      // Further frets and the strings between are for other work; the last fret is an item of its own.
      return item.key === 'last-fret'
        ? all.filter((s) => s.fret === last && (s.string === low || s.string === high))
        : all.filter((s) => !s.optional);
    case 'relief':
    case 'intonation':
      return all.filter((s) => !s.optional);
    default:
      return all;
  }
}

/** The places an item of the list reads: those of its quantity, as far as the item asks for them. */
export const stationsOfItem = <S extends Place>(stations: readonly S[], item: Asks): readonly S[] =>
  asked(
    item,
    stations.filter(
      (s) => s.quantity === item.reading || (item.key === 'bridge-thick' && s.quantity === 'slot-depth'),
    ),
  );
