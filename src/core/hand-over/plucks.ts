import type { RoundKind } from '../readings/rounds.ts';
import { buzzes, sayBuzz } from '../sound/say-buzz.ts';

/** A reading that may have a pluck kept with it. */
export interface ReadingWithPluck {
  readonly key: string;
  readonly round: RoundKind;
  /** the number of the kept sound; null where none was kept */
  readonly sound: number | null;
  /** how much it buzzed, 0 to 1; null where that can't be told */
  readonly buzz: number | null;
}

/** A pluck that can be heard. */
export interface KeptPluck {
  readonly sound: number;
  readonly buzz: number | null;
}

/** One place before and after the work; null where no pluck was kept. */
export interface PluckPair {
  readonly key: string;
  readonly found: KeptPluck | null;
  readonly left: KeptPluck | null;
}

function pluckOf(readings: readonly ReadingWithPluck[], key: string, round: RoundKind): KeptPluck | null {
  const r = readings.find((x) => x.key === key && x.round === round);
  return r && r.sound !== null ? { sound: r.sound, buzz: r.buzz } : null;
}

/** The plucks that were kept as found and as left, place by place. */
export function pluckPairs(readings: readonly ReadingWithPluck[]): readonly PluckPair[] {
  const keys = new Set(
    readings
      .filter((r) => r.sound !== null && (r.round === 'as-found' || r.round === 'as-left'))
      .map((r) => r.key),
  );
  return [...keys].map((key) => ({
    key,
    found: pluckOf(readings, key, 'as-found'),
    left: pluckOf(readings, key, 'as-left'),
  }));
}

const buzzOf = (p: KeptPluck | null): number | null => p?.buzz ?? null;
const word = (buzz: number): string => (buzzes(buzz) ? 'buzzes' : 'clear');

/** What two plucks of a place say of the work: `buzzed (0.93), now clear (0.04)`. */
export function comparePlucks(found: KeptPluck | null, left: KeptPluck | null): string {
  const [before, after] = [buzzOf(found), buzzOf(left)];
  if (before !== null && after !== null) {
    const was = buzzes(before) ? 'buzzed' : 'was clear';
    const is = buzzes(before) === buzzes(after) ? `still ${word(after)}` : `now ${word(after)}`;
    return `${was} (${sayBuzz(before)}), ${is} (${sayBuzz(after)})`;
  }
  if (before !== null) return `as found: ${word(before)} (${sayBuzz(before)})`;
  if (after !== null) return `as left: ${word(after)} (${sayBuzz(after)})`;
  return 'how much it buzzes was not told';
}
