import type { Hz } from '../units/unit-types.ts';

const NAMES = ['C', 'C#', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'G#', 'A', 'Bb', 'B'] as const;
const A4 = 69;

/** Cents from one pitch to another; sharp is more than nothing. */
export const centsFrom = (hz: Hz, from: Hz): number => 1200 * Math.log2(hz / from);

/** The nearest note of equal temperament: `E2`, and how far from it, cents. */
export function nearestNote(hz: Hz, reference: Hz = 440): { readonly name: string; readonly cents: number } {
  const midi = Math.round(A4 + 12 * Math.log2(hz / reference));
  const name = `${NAMES[((midi % 12) + 12) % 12] ?? ''}${Math.floor(midi / 12) - 1}`;
  return { name, cents: centsFrom(hz, reference * 2 ** ((midi - A4) / 12)) };
}
