const FEWEST = 3;

/**
 * What is wrong with gauges that were typed from the highest string down where the lowest comes first: none is thinner than the
 * one before it. Octave pairs, and a low string tuned up as on a ukulele, rise and fall: nothing is said of those.
 *
 * @param typed the gauges as they were typed, in the order they were typed
 * @param sizes how thick they are, in any one unit
 * @returns null where they may be so
 * @example thinFirst(['12', '16', '24'], [12, 16, 24]) → 'Lowest string first: these begin with the thinnest. Turned round: 24 16 12.'
 */
export function thinFirst(typed: readonly string[], sizes: readonly number[]): string | null {
  const rises = sizes.every((size, i) => i === 0 || size >= (sizes[i - 1] ?? size));
  if (sizes.length < FEWEST || !rises || sizes[0] === sizes.at(-1)) return null;
  return `Lowest string first: these begin with the thinnest. Turned round: ${typed.toReversed().join(' ')}.`;
}
