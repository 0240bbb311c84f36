import type { Construction } from '../instrument/construction.ts';
import { stringNumber } from '../instrument/construction.ts';
import { QUANTITY_FACTS, type Quantity } from './quantities.ts';

/** A place where a reading is taken. `string` 1 is the highest, 0 means none; `fret` 0 means none. */
export interface Station {
  readonly key: string;
  readonly quantity: Quantity;
  readonly string: number;
  readonly fret: number;
  readonly label: string;
  readonly optional: boolean;
}

/** The name of a station, the same on every round: `action:6:12`. */
export const stationKey = (quantity: Quantity, string: number, fret: number): string =>
  `${quantity}:${string}:${fret}`;

const station = (quantity: Quantity, string: number, fret: number, label: string): Station => ({
  key: stationKey(quantity, string, fret),
  quantity,
  string,
  fret,
  label,
  optional: QUANTITY_FACTS[quantity].optional,
});

/** The fret where relief is read. */
export const RELIEF_FRET = 7;
/** The fret where action and intonation are read. */
export const ACTION_FRET = 12;
/** The fret held while the gap over fret 1 is read. */
export const HELD_AT = 3;

/**
 * Every place this instrument is read at, in working order: neck, action, nut from the lowest string, saddle,
 * intonation.
 * @example a 6-string gives 1 + 2 + 6 + 1 + 6 = 16 stations
 */
export function stationsOf(construction: Construction): readonly Station[] {
  const count = construction.strings.length;
  const numbers = construction.strings.map((_, i) => stringNumber(construction, i));
  const note = (n: number) => (construction.strings[count - n]?.note ?? '').replace(/\d+$/, '');
  return [
    station('relief', 0, RELIEF_FRET, `Relief, ${RELIEF_FRET}th`),
    station('action', count, ACTION_FRET, `Action ${ACTION_FRET}, string ${count}`),
    station('action', 1, ACTION_FRET, `Action ${ACTION_FRET}, string 1`),
    ...numbers.map((n) => station('nut-gap', n, 1, `Gap over fret 1, string ${n} ${note(n)}`)),
    ...(construction.bridge === 'pinned' || construction.bridge === 'tie-block'
      ? [station('saddle-standout', 0, 0, 'Saddle stands out')]
      : []),
    ...numbers.map((n) => station('intonation', n, ACTION_FRET, `Cents at 12, string ${n} ${note(n)}`)),
  ];
}
