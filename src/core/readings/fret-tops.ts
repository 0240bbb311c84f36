import type { Reading } from './reading.ts';

type Read = Pick<Reading, 'value' | 'quantity' | 'fret'>;

/**
 * How much fret tops stand over the usual one of the neck, mm: from their heights (mean across), and from the rocker where
 * one rocks.
 */
export function topsByFret(readings: readonly Read[]): ReadonlyMap<number, number> {
  const heights = new Map<number, number[]>();
  for (const r of readings) {
    if (r.quantity === 'fret-height') heights.set(r.fret, [...(heights.get(r.fret) ?? []), r.value]);
  }
  const means = [...heights].map(([n, all]) => [n, all.reduce((a, b) => a + b, 0) / all.length] as const);
  const usual = means.map(([, v]) => v).sort((a, b) => a - b)[Math.floor(means.length / 2)] ?? 0;
  const rocks = readings.filter((r) => r.quantity === 'fret-rock').map((r) => [r.fret, r.value] as const);
  return new Map([...rocks, ...means.map(([n, v]) => [n, v - usual] as const)]);
}

/** The same as an array by fret, 0 where nothing was read. */
export function fretTopsOver(frets: number, readings: readonly Read[]): Float64Array {
  const tops = new Float64Array(frets + 1);
  for (const [fret, over] of topsByFret(readings)) if (fret <= frets) tops[fret] = over;
  return tops;
}

/** The least height read at each fret, wherever across it, mm. */
export function fretHeightsAt(readings: readonly Read[]): ReadonlyMap<number, number> {
  const least = new Map<number, number>();
  for (const r of readings)
    if (r.quantity === 'fret-height') least.set(r.fret, Math.min(r.value, least.get(r.fret) ?? Infinity));
  return least;
}
