import type { Hz } from '../units/unit-types.ts';
import { fft, powerOfTwo } from './fft.ts';
import type { Sound } from './wav.ts';

/** How loud each pitch was at each moment. */
export interface SoundPicture {
  /** s between two columns */
  readonly every: number;
  /** Hz between two rows, the lowest row is 0 Hz */
  readonly step: Hz;
  readonly columns: number;
  readonly rows: number;
  /** column by column from the lowest row: 255 is the loudest there is, 0 is `range` decibels under it or less */
  readonly levels: Uint8Array;
  /** decibels from the loudest to nothing */
  readonly range: number;
}

const WINDOW_S = 0.12;
const RANGE = 70;

/**
 * A sound as a picture: its spectrum over time, by Hann windows of 120 ms.
 * @param upTo Hz, the highest row
 * @param columns at most so many moments
 */
export function soundPicture({ rate, samples }: Sound, upTo: Hz, columns: number): SoundPicture {
  const window = Math.round(WINDOW_S * rate);
  const size = powerOfTwo(2 * window);
  const hop = Math.max(Math.round(0.01 * rate), Math.ceil(samples.length / columns));
  const count = Math.max(1, Math.min(columns, Math.ceil(samples.length / hop)));
  const step = rate / size;
  const rows = Math.min(size / 2, Math.ceil(upTo / step) + 1);
  const powers = new Float64Array(count * rows);
  const part = new Float64Array(window);
  for (let c = 0; c < count; c++) {
    // Each window lies around its moment, so that a knock stands where it fell.
    const from = c * hop - (window >> 1);
    for (let i = 0; i < window; i++)
      part[i] = (samples[from + i] ?? 0) * (0.5 - 0.5 * Math.cos((2 * Math.PI * i) / window));
    const { re, im } = fft(part, size);
    for (let k = 0; k < rows; k++) powers[c * rows + k] = (re[k] as number) ** 2 + (im[k] as number) ** 2;
  }
  const loudest = powers.reduce((a, b) => Math.max(a, b), 1e-30);
  const levels = Uint8Array.from(powers, (p) => {
    const under = -10 * Math.log10(Math.max(1e-30, p) / loudest);
    return Math.max(0, Math.round(255 * (1 - under / RANGE)));
  });
  return { every: hop / rate, step, columns: count, rows, levels, range: RANGE };
}
