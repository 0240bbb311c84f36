import type { Sound } from './wav.ts';

/** The part of a sound in which a plucked string rings, after its attack. */
export interface Steady {
  readonly samples: Float32Array;
  /** when it begins in the sound, s */
  readonly from: number;
  /** how long it took to fall to a tenth, s; Infinity where it did not within the sound */
  readonly tenth: number;
}

const FRAME = 0.01;
const LEAST = 0.14;
const MOST = 1.3;
const ATTACK = 0.05;
/** A sound whose strongest moment is softer than this is silence. */
const SILENT = 3e-4;
/** Samples at full scale one after the other, and how many of them there may be. */
const FLAT_RUN = 3;
const FLAT_SHARE = 0.002;

/** How strong each hundredth of a second is. */
function levels({ samples, rate }: Sound): Float64Array {
  const frame = Math.max(1, Math.round(FRAME * rate));
  const count = Math.max(1, Math.floor(samples.length / frame));
  const found = new Float64Array(count);
  for (let i = 0; i < count; i++) {
    let sum = 0;
    for (let k = i * frame; k < (i + 1) * frame && k < samples.length; k++)
      sum += (samples[k] as number) ** 2;
    found[i] = Math.sqrt(sum / frame);
  }
  return found;
}

/** Whether its tops are cut off: runs of samples that all stand at its very highest or lowest. */
function isClipped(samples: Float32Array): boolean {
  let [most, least] = [0, 0];
  for (const s of samples) {
    if (s > most) most = s;
    if (s < least) least = s;
  }
  if (Math.max(most, -least) < 0.05) return false;
  let [flat, run] = [0, 0];
  for (const s of samples) {
    if (s >= 0.9995 * most || s <= 0.9995 * least) run++;
    else {
      if (run >= FLAT_RUN) flat += run;
      run = 0;
    }
  }
  return flat > FLAT_SHARE * samples.length;
}

/** Mean level over some frames around one. */
function around(level: Float64Array, i: number, half: number): number {
  let [sum, count] = [0, 0];
  for (let k = Math.max(0, i - half); k <= Math.min(level.length - 1, i + half); k++) {
    sum += (level[k] as number) ** 2;
    count++;
  }
  return Math.sqrt(sum / count);
}

/** The steady part of the strongest pluck in a sound, or why there is none. */
export function steadyPart(sound: Sound): Steady | 'silent' | 'too-short' | 'damped' | 'clipped' {
  const { samples, rate } = sound;
  const level = levels(sound);
  const smooth = level.map((_, i) => around(level, i, 2));
  let top = 0;
  for (let i = 1; i < smooth.length; i++) if ((smooth[i] as number) > (smooth[top] as number)) top = i;
  const loudest = smooth[top] as number;
  if (loudest < SILENT) return 'silent';
  if (samples.length / rate < LEAST) return 'too-short';
  let onset = top;
  while (onset > 0 && (smooth[onset - 1] as number) > 0.25 * loudest) onset--;
  const quiet = Float64Array.from(smooth).sort()[Math.floor(smooth.length / 20)] as number;
  const floor = Math.max(0.02 * loudest, Math.min(1.6 * quiet, 0.25 * loudest));
  let end = top + 1;
  while (end < smooth.length) {
    const now = smooth[end] as number;
    if (now < floor) break;
    // Struck again: what was before it is what counts.
    if (end > top + 12 && now > 2.2 * (smooth[end - 6] as number) && now > 0.1 * loudest) {
      end -= 6;
      break;
    }
    end++;
  }
  const there = (end - onset) * FRAME;
  const fallen = smooth.findIndex((l, i) => i > top && l < 0.1 * loudest);
  const tenth = fallen < 0 ? Infinity : (fallen - top) * FRAME;
  const skip = Math.min(ATTACK, 0.12 * there);
  const from = Math.round((onset * FRAME + skip) * rate);
  const to = Math.min(samples.length, Math.round(end * FRAME * rate), from + Math.round(MOST * rate));
  // It died away while the sound went on.
  if ((to - from) / rate < LEAST) return end < smooth.length - 5 ? 'damped' : 'too-short';
  const part = samples.subarray(from, to);
  if (isClipped(samples.subarray(Math.max(0, from - Math.round(ATTACK * rate)), to))) return 'clipped';
  return { samples: part, from: from / rate, tenth };
}
