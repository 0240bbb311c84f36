import type { Quantity } from '../readings/quantities.ts';
import type { Station } from '../readings/stations.ts';

/** The frets whose height an inspection reads: the first ones wear most, the 12th least. */
const LOOKED_AT: ReadonlySet<number> = new Set([1, 5, 12]);

/** The places an item of the list reads: those of its quantity; of the frets' heights the three that tell the wear. */
export const stationsOfItem = <S extends Pick<Station, 'quantity' | 'fret'>>(
  stations: readonly S[],
  reading: Quantity,
): readonly S[] =>
  stations.filter((s) => s.quantity === reading && (reading !== 'fret-height' || LOOKED_AT.has(s.fret)));
