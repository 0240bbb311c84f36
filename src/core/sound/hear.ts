import type { Hz } from '../units/unit-types.ts';
import { candidates, peaksOf } from './candidates.ts';
import { look } from './partials.ts';
import type { Series } from './series.ts';
import { steadyPart } from './steady-part.ts';
import { fitPart, fitString, octaveLower, otherString, withoutTones, type Care } from './string-fit.ts';
import type { Sound } from './wav.ts';

/** Why nothing is said of a sound. */
export type Refused = 'silent' | 'too-short' | 'clipped' | 'damped' | 'too-noisy' | 'not-this-string';

/** What was heard of one pluck. */
export interface Heard {
  /** the first partial of the fitted series, Hz; null where none was heard */
  readonly hz: number | null;
  /** the doubt of it, one standard deviation, cents */
  readonly uncertainty: number | null;
  /** B of the fitted series n·f0·√(1 + B·n²) */
  readonly inharmonicity: number | null;
  /** how long the steady part was that was used, s */
  readonly seconds: number;
  /** by how many cents the pitch was higher at the beginning, where it fell and settled; null: it stood still */
  readonly glide: number | null;
  readonly refused: Refused | null;
}

/** What one waits for. */
export interface Awaited {
  /** pitches that may come, Hz; none: any */
  readonly hz: readonly number[];
  /** how far from one of them a pitch is still it, cents */
  readonly within: number;
}

export const ANY_PITCH: Awaited = { hz: [], within: 0 };
/** Strings of one instrument lie two semitones apart at least: nearer than this it is the one that is awaited, mistuned. */
export const USUAL_REACH = 120;

const WHOLE: Care = { partials: 28, others: 24, rounds: 3 };
/** A short part only says by how much the whole moves. */
const PART: Care = { partials: 9, others: 4, rounds: 2 };
/** Enough for a needle that moves. */
const QUICK: Care = { partials: 10, others: 6, rounds: 2 };
const LEAST_SCORE = 0.12;
const MOST_DOUBT = 6;
/** A glide is one where it settles is known so well, as a part of it. */
const SURE_OF_GLIDE = 0.15;
/** Dies away to a tenth sooner than that: a hand lies on it. s */
const DAMPED = 0.11;

const refusal = (refused: Refused, seconds = 0): Heard => ({
  hz: null,
  uncertainty: null,
  inharmonicity: null,
  seconds,
  glide: null,
  refused,
});

/** The pitch in parts of the steady stretch, one after the other: the same series, each part's own cents off the whole's. */
function course(
  samples: Float32Array,
  rate: number,
  whole: Series,
): { t: number; cents: number; sd: number }[] {
  const period = rate / whole.f0;
  const length = Math.max(Math.round(0.12 * rate), Math.round(6 * period));
  if (samples.length < 1.35 * length) return [];
  const count = Math.min(6, Math.max(4, Math.floor((2.5 * samples.length) / length)));
  const hop = (samples.length - length) / (count - 1);
  return Array.from({ length: count }, (_, i) => {
    const from = Math.round(i * hop);
    const looked = look(samples.subarray(from, from + length));
    const peaks = peaksOf(looked, rate);
    const fitted = fitPart(looked, rate, whole, peaks, PART);
    return {
      t: (from + length / 2) / rate,
      cents: 1200 * Math.log2((fitted.f0 * Math.sqrt(1 + fitted.b)) / (whole.f0 * Math.sqrt(1 + whole.b))),
      sd: Math.max(0.05, fitted.cents),
    };
  });
}

/** A pitch that falls at first and settles: where it settles, cents off the whole's, by least squares over how fast. */
function settle(points: readonly { t: number; cents: number; sd: number }[]): {
  readonly end: number;
  readonly glide: number;
  readonly sd: number;
  readonly better: number;
} {
  const fit = (tau: number | null) => {
    let [w, x, y, xx, xy] = [0, 0, 0, 0, 0];
    for (const p of points) {
      const k = 1 / (p.sd * p.sd);
      const u = tau === null ? 0 : Math.exp(-p.t / tau);
      w += k;
      x += k * u;
      y += k * p.cents;
      xx += k * u * u;
      xy += k * u * p.cents;
    }
    const det = w * xx - x * x;
    const a = tau === null || det < 1e-12 ? 0 : Math.max(0, (w * xy - x * y) / det);
    const end = (y - a * x) / w;
    const chi = points.reduce((sum, p) => {
      const u = tau === null ? 0 : Math.exp(-p.t / tau);
      return sum + ((p.cents - end - a * u) / p.sd) ** 2;
    }, 0);
    return { end, a, chi, sd: a > 0 ? Math.sqrt(xx / det) : 1 / Math.sqrt(w) };
  };
  const flat = fit(null);
  const best = [0.06, 0.1, 0.15, 0.22, 0.33, 0.5, 0.8]
    .map((tau) => fit(tau))
    .reduce((x, y) => (y.chi < x.chi ? y : x));
  return { end: best.end, glide: best.a, sd: best.sd, better: flat.chi - best.chi };
}

/** Whether what was fitted lies an octave over something that is awaited, and is not awaited itself. */
function isOctaveOver({ f0, b }: Series, awaited: Awaited): boolean {
  const hz = f0 * Math.sqrt(1 + b);
  const isNear = (by: number): boolean =>
    awaited.hz.some((a) => Math.abs(1200 * Math.log2(hz / (by * a))) < awaited.within);
  return isNear(2) && !isNear(1);
}

/**
 * The pitch of a plucked string: its partials fitted together over the steady part after the attack, as one stiff string's.
 * Where it falls after a hard pluck, what is said is where it settles.
 */
export function hear(sound: Sound, awaited: Awaited = ANY_PITCH): Heard {
  const steady = steadyPart(sound);
  if (typeof steady === 'string') return refusal(steady);
  const { rate } = sound;
  if (steady.tenth < DAMPED) return refusal('damped', steady.samples.length / rate);
  const seconds = steady.samples.length / rate;
  const looked = look(steady.samples);
  const peaks = peaksOf(looked, rate);
  const found = candidates(peaks, rate, looked, awaited.hz);
  const [best] = found;
  if (!best || best.score < LEAST_SCORE) return refusal('too-noisy', seconds);
  const first = fitString(looked, rate, best, peaks, WHOLE);
  const fitted =
    (isOctaveOver(first, awaited) ? octaveLower(looked, rate, first, peaks, WHOLE) : null) ?? first;
  const hz = fitted.f0 * Math.sqrt(1 + fitted.b);
  if (fitted.used < 1 || !(fitted.cents < MOST_DOUBT)) return refusal('too-noisy', seconds);
  const alone = withoutTones(steady.samples, otherString(looked, rate, fitted));
  const points = fitted.cents < 2 ? course(alone, rate, fitted) : [];
  const run = points.length >= 3 ? settle(points) : null;
  const glides = run !== null && run.better > 6 && run.glide > 0.25 && run.sd < SURE_OF_GLIDE * run.glide;
  const at = hz * (glides ? 2 ** (run.end / 1200) : 1);
  const moves = points.length >= 3 ? (points[0]?.cents ?? 0) - (points.at(-1)?.cents ?? 0) : 0;
  const uncertainty = Math.hypot(fitted.cents, glides ? run.sd + 0.03 * run.glide : 0.2 * moves);
  const away = Math.min(...awaited.hz.map((a) => Math.abs(1200 * Math.log2(at / a))));
  return {
    hz: at,
    uncertainty: Math.max(0.02, uncertainty),
    inharmonicity: fitted.b,
    seconds,
    glide: glides ? run.glide : null,
    refused: awaited.hz.length > 0 && away > awaited.within ? 'not-this-string' : null,
  };
}

/** A pitch that was heard a moment ago, as a series begins: the first partial, Hz, and B. */
export interface Near {
  readonly hz: Hz;
  readonly b: number;
}

/**
 * The pitch of a string that rings on, from where it was a moment ago: for a needle that follows it. Null where it is not there
 * any more.
 */
export function hearNear(sound: Sound, near: Near): (Near & { readonly uncertainty: number }) | null {
  const steady = steadyPart(sound);
  if (typeof steady === 'string') return null;
  const looked = look(steady.samples);
  const peaks = peaksOf(looked, sound.rate);
  const begin = { f0: near.hz / Math.sqrt(1 + near.b), b: near.b };
  const fitted = fitString(looked, sound.rate, begin, peaks, QUICK);
  const hz = fitted.f0 * Math.sqrt(1 + fitted.b);
  const there =
    fitted.used >= 2 && fitted.cents < MOST_DOUBT && Math.abs(1200 * Math.log2(hz / near.hz)) < 100;
  return there ? { hz, b: fitted.b, uncertainty: Math.max(0.02, fitted.cents) } : null;
}
