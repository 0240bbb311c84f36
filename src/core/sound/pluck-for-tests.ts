import { seeded } from '../seeded.ts';
import type { Sound } from './wav.ts';

/** A plucked string as one makes it up: the truth is known. */
export interface Pluck {
  /** the ideal string's pitch, Hz: partial n stands at n·f0·√(1 + B·n²) */
  readonly f0: number;
  readonly b?: number;
  /** how loud, 0 to 1 */
  readonly level?: number;
  /** where it is plucked, as a part of the string */
  readonly at?: number;
  /** how long the first partial takes to fall to a tenth, s */
  readonly rings?: number;
  /** how many cents it begins too high, and how fast that goes, s */
  readonly glide?: number;
  readonly settles?: number;
  /** how much of the first partial is there */
  readonly fundamental?: number;
  /** how far single partials lie off the series, cents (one standard deviation) */
  readonly off?: number;
}

/** Even random numbers made normal, with a standard deviation of one. */
export function normal(random: () => number): () => number {
  return () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/** The first partial of a stiff string, Hz. */
export const firstPartial = ({ f0, b = 0 }: Pluck): number => f0 * Math.sqrt(1 + b);

/** Adds a pluck to samples, from a moment on (s). */
export function addPluck(to: Float32Array, rate: number, p: Pluck, from = 0, seed = 1): void {
  const {
    f0,
    b = 0,
    level = 0.3,
    at = 0.21,
    rings = 2.5,
    glide = 0,
    settles = 0.25,
    fundamental = 1,
    off = 0,
  } = p;
  const random = seeded(seed);
  const gauss = normal(random);
  const begin = Math.round(from * rate);
  // The time a pitch that begins too high has gone through: the integral of 1 + c·e^(−t/τ).
  const through = (_: unknown, i: number): number => {
    const t = i / rate;
    return t + (2 ** (glide / 1200) - 1) * settles * (1 - Math.exp(-t / settles));
  };
  const bent = glide === 0 ? null : Float64Array.from({ length: to.length - begin }, through);
  for (let n = 1; n <= 60; n++) {
    const f = n * f0 * Math.sqrt(1 + b * n * n) * 2 ** ((n === 1 ? 0 : off * gauss()) / 1200);
    const phase = 2 * Math.PI * random();
    if (f > 0.45 * rate || f > 9000) break;
    const loud = (level * Math.sin(Math.PI * n * at) * (n === 1 ? fundamental : 1)) / n ** 1.2;
    const fall = Math.exp((-Math.LN10 / rings / rate) * (1 + 0.06 * n + 0.004 * n * n));
    addPartial(to, rate, { begin, loud, fall, w: 2 * Math.PI * f, phase, bent });
  }
}

interface Partial {
  readonly begin: number;
  readonly loud: number;
  readonly fall: number;
  /** radians a second */
  readonly w: number;
  readonly phase: number;
  /** the time its pitch has gone through at each sample; null: the time itself */
  readonly bent: Float64Array | null;
}

/** So many samples are turned on from one exact sine. */
const TURNED = 128;

/** Adds one partial. A steady one is turned on from sample to sample, much faster than a sine for each. */
function addPartial(to: Float32Array, rate: number, { begin, loud, fall, w, phase, bent }: Partial): void {
  const [dc, ds] = [Math.cos(w / rate), Math.sin(w / rate)];
  let [now, c, s] = [loud, 0, 0];
  for (let i = begin; i < to.length && Math.abs(now) > 1e-8; i++, now *= fall) {
    const k = i - begin;
    if (bent !== null) s = Math.sin(w * (bent[k] as number) + phase);
    else if (k % TURNED === 0) {
      const angle = (w * k) / rate + phase;
      c = Math.cos(angle);
      s = Math.sin(angle);
    } else {
      const before = c;
      c = c * dc - s * ds;
      s = s * dc + before * ds;
    }
    to[i] = (to[i] as number) + Math.min(1, k / rate / 0.002) * now * s;
  }
}

/** A sound of some seconds with a pluck in it. */
export function pluckSound(p: Pluck, seconds = 0.4, rate = 44_100, seed = 1, from = 0): Sound {
  const samples = new Float32Array(Math.round(seconds * rate));
  addPluck(samples, rate, p, from, seed);
  return { rate, samples };
}

/** How strong a sound is, root of the mean square. */
export const strength = (s: Float32Array): number =>
  Math.sqrt(s.reduce((sum, x) => sum + x * x, 0) / s.length);

/** Adds noise that lies so many decibels under the sound. */
export function addNoise({ samples }: Sound, decibels: number, seed = 2): void {
  const gauss = normal(seeded(seed));
  const by = strength(samples) * 10 ** (-decibels / 20);
  for (let i = 0; i < samples.length; i++) samples[i] = (samples[i] as number) + by * gauss();
}

/** Adds mains hum and its overtones. */
export function addHum({ samples, rate }: Sound, level: number, mains = 50): void {
  for (let i = 0; i < samples.length; i++) {
    const w = (2 * Math.PI * mains * i) / rate;
    samples[i] =
      (samples[i] as number) + level * (Math.sin(w) + 0.5 * Math.sin(2 * w + 1) + 0.6 * Math.sin(3 * w + 2));
  }
}

interface Written {
  readonly kind: 'pcm' | 'float';
  readonly bits: number;
  readonly channels: number;
}

/** A sound as a WAV file, the same in every channel. */
export function wavOf({ rate, samples }: Sound, { kind, bits, channels }: Written): Uint8Array {
  const one = bits / 8;
  const frame = one * channels;
  const bytes = new Uint8Array(44 + frame * samples.length);
  const view = new DataView(bytes.buffer);
  const say = (at: number, text: string): void => {
    for (let i = 0; i < text.length; i++) view.setUint8(at + i, text.charCodeAt(i));
  };
  say(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  say(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, kind === 'pcm' ? 1 : 3, true);
  view.setUint16(22, channels, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * frame, true);
  view.setUint16(32, frame, true);
  view.setUint16(34, bits, true);
  say(36, 'data');
  view.setUint32(40, frame * samples.length, true);
  const write = (at: number, x: number): void => {
    if (kind === 'float') return bits === 32 ? view.setFloat32(at, x, true) : view.setFloat64(at, x, true);
    if (bits === 8) return view.setUint8(at, Math.round(127 * x) + 128);
    const whole = Math.round((2 ** (bits - 1) - 1) * Math.max(-1, Math.min(1, x)));
    for (let i = 0; i < one; i++) view.setUint8(at + i, Math.floor(whole / 2 ** (8 * i)) & 255);
  };
  samples.forEach((x, i) => {
    for (let c = 0; c < channels; c++) write(44 + i * frame + c * one, x);
  });
  return bytes;
}
