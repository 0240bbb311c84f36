import { needsStrings, type Conditions } from '../readings/conditions.ts';
import { latestReadings, type Reading } from '../readings/reading.ts';
import type { Station } from '../readings/stations.ts';
import type { ChecklistItem } from './checklist.ts';

/** What can no longer be read or looked at once the strings are off. */
export interface StringsGate<S extends Station = Station> {
  readonly readings: readonly S[];
  readonly items: readonly ChecklistItem[];
}

/**
 * What is lost when the strings come off now: places that need strings and have no usable reading yet, and items of the
 * list that need strings and are still open. With a string missing nothing usable can be read, so no reading is lost.
 * @param answered keys of the items that have an answer
 */
export function lostWithoutStrings<S extends Station>(
  strings: Conditions['strings'],
  stations: readonly S[],
  readings: readonly Reading[],
  items: readonly ChecklistItem[],
  answered: ReadonlySet<string>,
): StringsGate<S> {
  if (strings === 'off') return { readings: [], items: [] };
  const known = latestReadings(readings);
  const readable = strings !== 'missing';
  return {
    readings: stations.filter(
      (s) => readable && !s.optional && needsStrings(s.quantity) && !known.has(s.key),
    ),
    items: items.filter((i) => i.phase === 'strings-on' && !answered.has(i.key)),
  };
}
