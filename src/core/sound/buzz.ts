import type { Hz } from '../units/unit-types.ts';
import { partialHz, peaksOf } from './candidates.ts';
import { look } from './partials.ts';
import { steadyPart, type Steady } from './steady-part.ts';
import type { Sound } from './wav.ts';

/** How much a pluck buzzes: 0 rings clear, 1 rattles; from a half on it is heard as a buzz. */
export interface Buzz {
  readonly amount: number;
  /** one standard deviation of it, by what the odd and the even partials say each for themselves */
  readonly doubt: number;
}

/** A series of partials that was heard. */
export interface HeardSeries {
  /** its first partial, Hz */
  readonly hz: Hz;
  /** B of n·f0·√(1 + B·n²) */
  readonly inharmonicity: number;
}

/** A window holds so many swings, that partials stand apart; and is so long at least, s. */
const SWINGS = 5;
const SHORTEST = 0.012;
/** The pluck itself is over, s. */
const AFTER_PLUCK = 0.006;
/** So long from the pluck on is looked at, s; and what is early in it. */
const LOOKED_AT = 0.45;
const EARLY = 0.03;
const MOST_PARTIALS = 40;
const HIGHEST = 9000;
/** What leaks of a neighbour, and of the loudest, into a partial's window: parts of power. */
const LEAKS = 10 ** -4.5;
const LEAKS_FAR = 10 ** -5.6;
/** Fainter than that part of the loudest partial's power is as good as nothing. */
const FAINT = 10 ** -3.5;
/** Frames so far from each other do not lie over each other. */
const APART = 3;
/** A partial counts while its power is so many times what else is there. */
const STANDS_OUT = 16;
const FEWEST_FRAMES = 6;
const FEWEST_PARTIALS = 2;
/** So much that is locked to the swing says enough where a rattle hides the partials: part of their power. */
const LOCKED_FOR_SURE = 0.06;
/** Other strings that ring along hide a buzz and look like one: part of the string's own power. */
const OTHERS_RING = 10 ** -2.8;
/** The mains, and how far up their hum is heard, Hz. */
const MAINS = [50, 60];
const HUM_TO = 660;
const HUM_WIDE = 2;
const isHum = (hz: number): boolean =>
  hz < HUM_TO && MAINS.some((m) => Math.abs(hz - m * Math.round(hz / m)) < HUM_WIDE);
/**
 * What stands between the partials right after the pluck: even odds at so many decibels under them, and e times as much for so many
 * more. By simulated places that touch a fret on and on and places that touch none, and by recorded instruments: how evenly a
 * string dies away tells nothing, since real ones beat in themselves.
 */
const BETWEEN = { even: -26.8, each: 1.8, least: -40 };
/** What is locked to the swing is even odds at that many decibels, and e times as much for so many more. */
const LOCKED = { even: -20, each: 1.5 };

interface Frames {
  /** when each begins, s from the pluck on */
  readonly at: readonly number[];
  /** power of each partial in each frame, and half-way to the next; index 0 is not used */
  readonly on: readonly (readonly number[])[];
  readonly off: readonly (readonly number[])[];
  /** the noise half-way, by the quieter frames of before, meanwhile and after: power */
  readonly quiet: readonly number[];
  /** what stands half-way and is locked to the swing, as a part of the partials' power */
  readonly locked: number;
}

/** The transform at an angle a sample in a window that begins at a sample; its phase is that of the window's beginning. */
function transformAt(
  x: Float32Array,
  angle: number,
  window: Float64Array,
  from: number,
): readonly [re: number, im: number] {
  const [turnRe, turnIm] = [Math.cos(angle), Math.sin(angle)];
  let [re, im, c, s] = [0, 0, 1, 0];
  for (let k = 0; k < window.length; k++) {
    const v = (x[from + k] as number) * (window[k] as number);
    re += v * c;
    im -= v * s;
    const next = c * turnRe - s * turnIm;
    s = s * turnRe + c * turnIm;
    c = next;
  }
  return [re / window.length, im / window.length];
}

function powerAt(x: Float32Array, angle: number, window: Float64Array, from: number): number {
  const [re, im] = transformAt(x, angle, window, from);
  return re * re + im * im;
}

/** The mean power of noise by the quieter of some frames: four in ten of them lie under 0.51 of it. */
function quietOf(powers: readonly number[]): number {
  const sorted = [...powers].sort((a, b) => a - b);
  return (sorted[Math.floor(0.4 * sorted.length)] ?? 0) / 0.51;
}

/** Where the string is let go: the first sample that is loud, before the steady part. */
function pluckAt(x: Float32Array, steady: Steady, rate: number): number {
  const from = Math.max(0, Math.round((steady.from - 0.08) * rate));
  const to = Math.min(x.length, Math.round((steady.from + 0.05) * rate));
  let loudest = 0;
  for (let i = from; i < to; i++) loudest = Math.max(loudest, Math.abs(x[i] as number));
  let at = from;
  while (at < to && Math.abs(x[at] as number) < 0.15 * loudest) at++;
  return at + Math.round(AFTER_PLUCK * rate);
}

/**
 * Noise in bursts that come once a swing is the same noise at pitches one swing apart, also where it never ends: how much of what
 * stands half-way between the partials is locked to the swing so, as a part of the partials' power.
 */
function lockedPart(
  { samples, rate }: Sound,
  starts: readonly number[],
  window: Float64Array,
  f0: Hz,
  b: number,
): number {
  const turn = (2 * Math.PI * f0) / rate;
  // Further up a stiff string's partials stand where a loose one's gaps are.
  const last = Math.floor(Math.min(MOST_PARTIALS, Math.cbrt(0.3 / Math.max(b, 1e-6)), HIGHEST / f0));
  const numbers = Array.from({ length: Math.max(0, last - 1) }, (_, i) => i + 2);
  const mean = (n: number): number =>
    starts.reduce((sum, from) => sum + powerAt(samples, n * turn, window, from), 1e-20) / starts.length;
  const partials = [1, ...numbers, last + 1].map(mean);
  // By the partials around, so that all pitches count alike; where there are none nothing is heard either.
  const least = FAINT * Math.max(...partials);
  const by = numbers.map((_, i) => 1 / Math.sqrt(Math.max(least, ...partials.slice(i, i + 4))));
  // Against one beginning for all frames.
  const frames = starts.map((from) =>
    numbers.map((n, i) => {
      const angle = (n + 0.5) * turn;
      const [re, im] = transformAt(samples, angle, window, from);
      const [c, s, g] = [Math.cos(angle * from), Math.sin(angle * from), by[i] ?? 0];
      return [g * (re * c + im * s), g * (im * c - re * s)] as const;
    }),
  );
  let [re, im, own, half, pairs] = [0, 0, 0, 0, 0];
  for (let k = APART; k < frames.length; k++) {
    // A tone half-way, of an octave below or another string, is the same a frame before: what is left is noise.
    const all = (frames[k] ?? []).map(([x, y], i) => {
      const [u, v] = frames[k - APART]?.[i] ?? [0, 0];
      return [(x - u) * Math.SQRT1_2, (y - v) * Math.SQRT1_2] as const;
    });
    for (let i = 0; i + 1 < all.length; i++) {
      const [aRe, aIm] = all[i] ?? [0, 0];
      const [bRe, bIm] = all[i + 1] ?? [0, 0];
      const [pRe, pIm] = [aRe * bRe + aIm * bIm, aIm * bRe - aRe * bIm];
      re += pRe;
      im += pIm;
      own += Math.hypot(pRe, pIm);
      half += aRe * aRe + aIm * aIm;
      pairs++;
    }
  }
  if (pairs === 0) return 0;
  // Frames lie over each other: two of three tell nothing new.
  const byChance = 2 / Math.sqrt(pairs / 2);
  return (Math.max(0, Math.hypot(re, im) / own - byChance) * half) / pairs;
}

/** The partials of a string and what stands between them, through time. */
function framesOf({ samples, rate }: Sound, steady: Steady, f0: Hz, b: number): Frames {
  const length = Math.max(Math.round((SWINGS * rate) / f0), Math.round(SHORTEST * rate));
  const window = Float64Array.from({ length }, (_, k) => 0.5 - 0.5 * Math.cos((2 * Math.PI * k) / length));
  const begin = pluckAt(samples, steady, rate);
  const hop = Math.max(1, Math.round(length / 3));
  const fits = (from: number): boolean => from >= 0 && from + length <= samples.length;
  const starts: number[] = [];
  for (let a = begin; fits(a) && a - begin < LOOKED_AT * rate; a += hop) starts.push(a);
  const around: number[] = [];
  for (let a = begin - length - hop; fits(a) && around.length < 9; a -= hop) around.push(a);
  for (let a = begin + starts.length * hop; fits(a) && around.length < 30; a += hop) around.push(a);
  const last = Math.min(MOST_PARTIALS, Math.floor(Math.min(HIGHEST, 0.45 * rate) / f0));
  const angle = (n: number, more: number): number => (2 * Math.PI * (partialHz(f0, b, n) + more)) / rate;
  const numbers = Array.from({ length: last + 2 }, (_, n) => n);
  const powers = (n: number, more: number, from: readonly number[]): number[] =>
    from.map((a) => (n === 0 ? 0 : powerAt(samples, angle(n, more), window, a)));
  const off = numbers.map((n) => powers(n, f0 / 2, starts));
  return {
    at: starts.map((a) => (a - begin) / rate),
    on: numbers.map((n) => powers(n, 0, starts)),
    off,
    quiet: numbers.map((n) => quietOf([...(off[n] ?? []), ...powers(n, f0 / 2, around)])),
    locked: lockedPart({ samples, rate }, starts, window, f0 * Math.sqrt(1 + b), b),
  };
}

/** What stands between a partial and the next right after the pluck, over the quiet, decibels; null where the partial is hardly there. */
function betweenAt(f: Frames, n: number, loudest: readonly number[]): number | null {
  const [on, off] = [f.on[n] ?? [], f.off[n] ?? []];
  const quiet = f.quiet[n] ?? 0;
  const stands = on.filter((p, k) => {
    const leaks = LEAKS * ((f.on[n - 1]?.[k] ?? 0) + (f.on[n + 1]?.[k] ?? 0));
    return p >= STANDS_OUT * (1e-20 + quiet + leaks + LEAKS_FAR * (loudest[k] ?? 0));
  });
  if (stands.length < FEWEST_FRAMES) return null;
  const early = Math.max(1, f.at.filter((t) => t < EARLY).length);
  let [between, own] = [0, 0];
  for (let k = 0; k < early; k++) {
    between += Math.max(0, (off[k] ?? 0) - quiet);
    own += on[k] ?? 0;
  }
  return Math.max(BETWEEN.least, 10 * Math.log10(Math.max(1e-12, between / own)));
}

/**
 * The evidence for a buzz, as the logarithm of its odds: what stands between the cleanest quarter of the partials, since a body, a
 * nail and a room fill some gaps and a buzz fills all; or, of a rattle that goes on, what is locked to the swing.
 */
function evidence(between: readonly number[], locked: number): number {
  const byLocked = (10 * Math.log10(locked + 1e-9) - LOCKED.even) / LOCKED.each;
  if (between.length < FEWEST_PARTIALS) return byLocked;
  const sorted = [...between].sort((a, b) => a - b);
  return Math.max(byLocked, ((sorted[between.length >> 2] ?? BETWEEN.least) - BETWEEN.even) / BETWEEN.each);
}

const asAmount = (z: number): number => 1 / (1 + Math.exp(-z));

/** How much rings along that is not of the string, as a part of its own power. */
function othersRing(steady: Steady, rate: number, f0: Hz, b: number): number {
  let [own, others] = [1e-20, 0];
  for (const { hz, size } of peaksOf(look(steady.samples), rate)) {
    const near = Math.max(1, Math.round(hz / f0));
    let away = Infinity;
    for (let n = Math.max(1, near - 4); n <= near + 2; n++)
      away = Math.min(away, Math.abs(hz - partialHz(f0, b, n)));
    const reach = Math.max((1.5 * rate) / steady.samples.length, 0.02 * f0, 0.003 * hz);
    if (away < reach) own += size * size;
    else if (!isHum(hz)) others += size * size;
  }
  return others / own;
}

/**
 * How much a plucked string buzzes. Where one rings clear hardly anything stands between its partials; where it touches, its bursts
 * stand between all of them while it is loud, and a rattle that goes on is locked to the swing. Null where it can't be told: too
 * little of the string over the noise, or other strings ring along.
 * @param heard the series that was heard in this sound
 */
export function buzzOf(sound: Sound, heard: HeardSeries): Buzz | null {
  const steady = steadyPart(sound);
  if (typeof steady === 'string') return null;
  const b = Math.max(0, heard.inharmonicity);
  const f0 = heard.hz / Math.sqrt(1 + b);
  if (othersRing(steady, sound.rate, f0, b) > OTHERS_RING) return null;
  const frames = framesOf(sound, steady, f0, b);
  if (frames.at.length < FEWEST_FRAMES) return null;
  const loudest = frames.at.map((_, k) => Math.max(...frames.on.map((p) => p[k] ?? 0)));
  const signs: number[] = [];
  for (let n = 2; n < frames.on.length - 1; n++) {
    const between = betweenAt(frames, n, loudest);
    if (between !== null) signs.push(between);
  }
  if (signs.length < FEWEST_PARTIALS && frames.locked < LOCKED_FOR_SURE) return null;
  const z = evidence(signs, frames.locked);
  const [odd, even] = [0, 1].map((rest) =>
    evidence(
      signs.filter((_, i) => i % 2 === rest),
      frames.locked,
    ),
  );
  // Each half knows half as much as both together; few partials know little.
  const off = Math.abs((odd ?? z) - (even ?? z)) / 2 + 1 / Math.max(1, signs.length);
  return { amount: asAmount(z), doubt: (asAmount(z + off) - asAmount(z - off)) / 2 };
}
