import { fft, powerOfTwo, type Spectrum } from './fft.ts';

/** A tone that dies away: c·e^(p·n) by sample n, with p = −decay + i·angle a sample. */
export interface Tone {
  readonly cRe: number;
  readonly cIm: number;
  /** how fast it dies away a sample, and its angle a sample */
  readonly decay: number;
  readonly angle: number;
  /** variance of the angle by the noise around it */
  readonly variance: number;
}

/** A stretch of sound under a Hann window, as a spectrum. */
export interface Looked {
  readonly length: number;
  readonly size: number;
  readonly spectrum: Spectrum;
  /** the power of the noise by frequency, in blocks of bins */
  readonly noise: (bin: number) => number;
}

const BLOCK = 64;

/** The power of the noise in every block: what lies in the middle of its bins, smoothed over its neighbours. */
function noiseOf({ re, im }: Spectrum, size: number): (bin: number) => number {
  const blocks = Math.max(1, Math.floor(size / 2 / BLOCK));
  const middle = Float64Array.from({ length: blocks }, (_, b) => {
    const powers = Float64Array.from({ length: BLOCK }, (_2, i) => {
      const k = b * BLOCK + i;
      return (re[k] as number) ** 2 + (im[k] as number) ** 2;
    }).sort();
    return powers[BLOCK >> 2] as number;
  });
  // A quarter of the bins of noise lie under 0.288 of its mean.
  const smooth = middle.map((_, b) => {
    const near = [...middle.slice(Math.max(0, b - 2), b + 3)].sort((x, y) => x - y);
    return (near[near.length >> 1] as number) / 0.288;
  });
  return (bin) =>
    Math.max(1e-30, smooth[Math.min(blocks - 1, Math.max(0, Math.floor(bin / BLOCK)))] as number);
}

/** Windows that were made lately: sounds that are followed are of one length. */
const windows = new Map<number, Float64Array>();
const MOST_WINDOWS = 4;

/** A Hann window of so many samples. */
function hannOf(length: number): Float64Array {
  const known = windows.get(length);
  if (known) return known;
  const made = Float64Array.from({ length }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / length));
  const [oldest] = windows.keys();
  if (windows.size >= MOST_WINDOWS && oldest !== undefined) windows.delete(oldest);
  windows.set(length, made);
  return made;
}

/** Looks at a stretch of sound. */
export function look(samples: Float32Array): Looked {
  const length = samples.length;
  const size = powerOfTwo(length);
  const hann = hannOf(length);
  const windowed = new Float64Array(length);
  for (let i = 0; i < length; i++) windowed[i] = (samples[i] as number) * (hann[i] as number);
  const spectrum = fft(windowed, size);
  return { length, size, spectrum, noise: noiseOf(spectrum, size) };
}

/**
 * The windowed transform of e^(p·n) at a bin, and its derivative by p: [re, im, re', im']. A Hann window is three
 * geometric sums, a turn apart over the whole length, so that their numerators are the same.
 */
export function shape(
  decay: number,
  angle: number,
  bin: number,
  { length, size }: Pick<Looked, 'length' | 'size'>,
  out: Float64Array,
): void {
  const at = angle - (2 * Math.PI * bin) / size;
  const m = Math.exp(-decay * length);
  const eRe = m * Math.cos(at * length);
  const eIm = m * Math.sin(at * length);
  const m1 = Math.exp(-decay);
  const [oneRe, oneIm] = [m1 * Math.cos(at), m1 * Math.sin(at)];
  const [turnRe, turnIm] = [Math.cos((2 * Math.PI) / length), Math.sin((2 * Math.PI) / length)];
  let [sRe, sIm, tRe, tIm] = [0, 0, 0, 0];
  for (let shift = -1; shift <= 1; shift++) {
    const weight = shift === 0 ? 0.5 : -0.25;
    const ySin = shift * turnIm;
    const zRe = shift === 0 ? oneRe : oneRe * turnRe - oneIm * ySin;
    const zIm = shift === 0 ? oneIm : oneRe * ySin + oneIm * turnRe;
    const dRe = zRe - 1;
    const d2 = dRe * dRe + zIm * zIm;
    if (d2 < 1e-22) {
      sRe += weight * length;
      tRe += (weight * length * (length - 1)) / 2;
      continue;
    }
    // S = (e^(qN) − 1)/(e^q − 1), and its derivative (N·e^(qN) − S·e^q)/(e^q − 1)
    const nRe = eRe - 1;
    const uRe = (nRe * dRe + eIm * zIm) / d2;
    const uIm = (eIm * dRe - nRe * zIm) / d2;
    const aRe = length * eRe - (uRe * zRe - uIm * zIm);
    const aIm = length * eIm - (uRe * zIm + uIm * zRe);
    sRe += weight * uRe;
    sIm += weight * uIm;
    tRe += (weight * (aRe * dRe + aIm * zIm)) / d2;
    tIm += (weight * (aIm * dRe - aRe * zIm)) / d2;
  }
  out[0] = sRe;
  out[1] = sIm;
  out[2] = tRe;
  out[3] = tIm;
}

/** How far from a tone others are counted, in bins of the unpadded window. */
const REACH = 70;
const LOBE = 2.2;
const SLOWEST = -2e-5;
const FASTEST = 2e-3;

interface Local {
  readonly first: number;
  readonly re: Float64Array;
  readonly im: Float64Array;
}

/** The bins around a tone, without what the others and its own mirror bring into them. */
function without(looked: Looked, tones: readonly (Tone | null)[], own: number, tone: Tone): Local {
  const { spectrum, size, length } = looked;
  const padded = size / length;
  const centre = (tone.angle * size) / (2 * Math.PI);
  const half = Math.ceil(LOBE * padded);
  const first = Math.max(1, Math.round(centre) - half);
  const count = Math.min(size / 2 - 1, Math.round(centre) + half) - first + 1;
  const re = spectrum.re.slice(first, first + Math.max(0, count));
  const im = spectrum.im.slice(first, first + Math.max(0, count));
  const g = new Float64Array(4);
  const take = (t: Tone, mirrored: boolean): void => {
    const angle = mirrored ? -t.angle : t.angle;
    const cIm = mirrored ? -t.cIm : t.cIm;
    for (let i = 0; i < re.length; i++) {
      shape(t.decay, angle, first + i, looked, g);
      re[i] = (re[i] as number) - (t.cRe * (g[0] as number) - cIm * (g[1] as number));
      im[i] = (im[i] as number) - (t.cRe * (g[1] as number) + cIm * (g[0] as number));
    }
  };
  const reach = (REACH * 2 * Math.PI) / length;
  for (let j = 0; j < tones.length; j++) {
    const t = tones[j];
    if (!t) continue;
    if (j !== own && Math.abs(t.angle - tone.angle) < reach) take(t, false);
    if (t.angle + tone.angle < reach) take(t, true);
  }
  return { first, re, im };
}

/** One step towards the tone that fits the bins best: its strength and its complex rate together, by least squares. */
function step(looked: Looked, local: Local, tone: Tone): Tone {
  const g = new Float64Array(4);
  // The normal equations of two complex unknowns: a00 δc + a01 δp = b0, …
  let [a00, a11, xRe, xIm, b0Re, b0Im, b1Re, b1Im] = [0, 0, 0, 0, 0, 0, 0, 0];
  const { cRe, cIm } = tone;
  for (let i = 0; i < local.re.length; i++) {
    shape(tone.decay, tone.angle, local.first + i, looked, g);
    const [uRe, uIm] = [g[0] as number, g[1] as number];
    const vRe = cRe * (g[2] as number) - cIm * (g[3] as number);
    const vIm = cRe * (g[3] as number) + cIm * (g[2] as number);
    const rRe = (local.re[i] as number) - (cRe * uRe - cIm * uIm);
    const rIm = (local.im[i] as number) - (cRe * uIm + cIm * uRe);
    a00 += uRe * uRe + uIm * uIm;
    a11 += vRe * vRe + vIm * vIm;
    xRe += uRe * vRe + uIm * vIm;
    xIm += uRe * vIm - uIm * vRe;
    b0Re += uRe * rRe + uIm * rIm;
    b0Im += uRe * rIm - uIm * rRe;
    b1Re += vRe * rRe + vIm * rIm;
    b1Im += vRe * rIm - vIm * rRe;
  }
  const det = a00 * a11 - (xRe * xRe + xIm * xIm);
  if (!(det > 1e-12 * a00 * a11)) {
    const by = a00 > 0 ? 1 / a00 : 0;
    return { ...tone, cRe: cRe + b0Re * by, cIm: cIm + b0Im * by };
  }
  const dcRe = (a11 * b0Re - (xRe * b1Re - xIm * b1Im)) / det;
  const dcIm = (a11 * b0Im - (xRe * b1Im + xIm * b1Re)) / det;
  const dpRe = (a00 * b1Re - (xRe * b0Re + xIm * b0Im)) / det;
  const dpIm = (a00 * b1Im - (xRe * b0Im - xIm * b0Re)) / det;
  // No further than half a bin at once.
  const most = Math.PI / looked.length;
  const kept = (d: number): number => Math.max(-most, Math.min(most, d));
  const noise = looked.noise(Math.round((tone.angle * looked.size) / (2 * Math.PI)));
  return {
    cRe: cRe + dcRe,
    cIm: cIm + dcIm,
    decay: Math.max(SLOWEST, Math.min(FASTEST, tone.decay - kept(dpRe))),
    angle: tone.angle + kept(dpIm),
    variance: (0.5 * noise * a00) / det,
  };
}

/** A tone as one begins with: its strength by the bin it lies in. */
export function toneAt(looked: Looked, angle: number, decay = 5e-5): Tone {
  const bin = Math.round((angle * looked.size) / (2 * Math.PI));
  const g = new Float64Array(4);
  shape(decay, angle, bin, looked, g);
  const [gRe, gIm] = [g[0] as number, g[1] as number];
  const power = gRe * gRe + gIm * gIm;
  const [xRe, xIm] = [looked.spectrum.re[bin] ?? 0, looked.spectrum.im[bin] ?? 0];
  return {
    cRe: (xRe * gRe + xIm * gIm) / power,
    cIm: (xIm * gRe - xRe * gIm) / power,
    decay,
    angle,
    variance: Infinity,
  };
}

/**
 * Fits tones together: each to its own bins, without what the others bring there, around and around.
 * @param begins the angles a sample they stand near
 */
export function fitTones(looked: Looked, begins: readonly number[], rounds = 3): Tone[] {
  const order = begins.map((angle) => toneAt(looked, angle));
  const tones: (Tone | null)[] = order.map(() => null);
  // The loudest first: what is soft beside it is seen when it is taken away.
  const byStrength = order
    .map((t, i) => [t.cRe * t.cRe + t.cIm * t.cIm, i] as const)
    .sort((x, y) => y[0] - x[0])
    .map(([, i]) => i);
  const least = (2 * Math.PI * 0.5) / looked.length;
  for (let round = 0; round < rounds; round++)
    for (const i of byStrength) {
      let tone = tones[i] ?? (order[i] as Tone);
      const local = without(looked, tones, i, tone);
      if (local.re.length < 3) continue;
      for (let n = 0; n < (round === 0 ? 4 : 2); n++) tone = step(looked, local, tone);
      // One that ran away from where it was sought is none.
      const away = Math.abs(tone.angle - (begins[i] as number)) > 4 * least * 2;
      tones[i] = away ? { ...(order[i] as Tone), cRe: 0, cIm: 0 } : tone;
    }
  return tones.map((t, i) => t ?? (order[i] as Tone));
}
