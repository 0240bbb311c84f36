import type { Sound } from './wav.ts';

/** A rate that keeps what of a string is heard, and how long a kept sound is at most. */
const ENOUGH = 24_000;
const MOST_SECONDS = 1.5;
/** Half the taps of the filter that takes out what a lower rate cannot hold. */
const REACH = 16;

/** A windowed sinc that lets through what lies under half the new rate. @param by how many samples become one */
function lowPass(by: number): Float64Array {
  const taps = Float64Array.from({ length: 2 * REACH * by + 1 }, (_, i) => {
    const t = (i - REACH * by) / by;
    const window = 0.5 + 0.5 * Math.cos((Math.PI * t) / (REACH + 1));
    return window * (t === 0 ? 1 : Math.sin(0.9 * Math.PI * t) / (Math.PI * t) / 0.9);
  });
  const sum = taps.reduce((a, b) => a + b, 0);
  return taps.map((x) => x / sum);
}

/** A sound small enough to be kept with a reading: half the rate where that is enough, a second and a half at most. */
export function smallSound({ rate, samples }: Sound): Sound {
  const by = Math.max(1, Math.floor(rate / 20_000));
  const part = samples.subarray(0, Math.round(MOST_SECONDS * rate));
  if (by === 1 || rate <= ENOUGH) return { rate, samples: Float32Array.from(part) };
  const taps = lowPass(by);
  const made = Float32Array.from({ length: Math.floor(part.length / by) }, (_, k) => {
    let sum = 0;
    for (let i = 0; i < taps.length; i++) sum += (taps[i] as number) * (part[k * by + i - REACH * by] ?? 0);
    return sum;
  });
  return { rate: rate / by, samples: made };
}
