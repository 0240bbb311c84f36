import { tellsApart } from './gauge.ts';
import type { Reading } from './reading.ts';

/** One place read in two rounds: what moved, and whether the gauges can tell. */
export interface Compared {
  readonly key: string;
  readonly a: number | null;
  readonly b: number | null;
  /** b − a; null where one of them was not read */
  readonly moved: number | null;
  /** false where the difference is under what the two gauges can tell apart */
  readonly sure: boolean;
}

/**
 * Compares two sets of readings place by place, in the order of `keys`; places read in neither are left out.
 * @example action 2.20 ± 0.03 against 2.30 ± 0.03: moved 0.10, sure
 */
export function compareReadings(
  a: ReadonlyMap<string, Pick<Reading, 'value' | 'uncertainty'>>,
  b: ReadonlyMap<string, Pick<Reading, 'value' | 'uncertainty'>>,
  keys: readonly string[],
): readonly Compared[] {
  return keys.flatMap((key) => {
    const [x, y] = [a.get(key), b.get(key)];
    if (!x && !y) return [];
    const moved = x && y ? y.value - x.value : null;
    const sure = moved !== null && Math.abs(moved) > tellsApart(x?.uncertainty, y?.uncertainty);
    return [{ key, a: x?.value ?? null, b: y?.value ?? null, moved, sure }];
  });
}
