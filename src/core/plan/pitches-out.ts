import { latestReadings, type Reading } from '../readings/reading.ts';
import type { Target } from '../targets/target.ts';

/**
 * Pitches that are out of their bands and would move a contact: those that no new set is planned for.
 * @param found what was found: strings that are old are changed before any contact moves
 */
export function pitchesOut<R extends Reading>(
  found: readonly { readonly item: string; readonly finding?: string | null | undefined }[],
  readings: readonly R[],
  targets: ReadonlyMap<string, Target>,
): readonly R[] {
  if (found.some((f) => f.item === 'strings' && f.finding === 'old')) return [];
  return [...latestReadings(readings).values()].filter((r) => {
    const t = targets.get(r.key);
    return r.quantity === 'intonation' && t !== undefined && (r.value < t.low || r.value > t.high);
  });
}
