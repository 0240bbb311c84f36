import type { StringMake } from '../strings/unit-mass.ts';
import { compensationFor12, type FrettedString } from './predicted.ts';
import type { Hz, Mm } from '../units/unit-types.ts';

/**
 * A starting compensation for every string of a set at a scale and action.
 * @param neck scale, heights and hand; its string and compensation are left out
 * @param set the strings, lowest first
 * @param frequencies Hz, one for each
 * @returns mm, or null for a string that no saddle brings into tune
 * @throws RangeError when there are not as many pitches as strings
 */
export function setCompensation(
  neck: Omit<FrettedString, 'string' | 'compensation'>,
  set: readonly StringMake[],
  frequencies: readonly Hz[],
): (Mm | null)[] {
  if (set.length !== frequencies.length) throw new RangeError('one pitch for each string');
  return set.map((s, i) =>
    compensationFor12({ ...neck, compensation: 0, string: { ...s, frequency: frequencies[i] ?? 0 } }),
  );
}
