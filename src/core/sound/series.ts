import { partialHz } from './candidates.ts';

/** A partial as it was measured: its number, Hz, and the variance of that. */
export interface Measured {
  readonly n: number;
  readonly hz: number;
  readonly variance: number;
}

/** A string's series as fitted: Hz, its stiffness, and the doubt of the first partial (one standard deviation, cents). */
export interface Series {
  readonly f0: number;
  readonly b: number;
  readonly cents: number;
  /** the measured partials that belong to it */
  readonly used: number;
}

const CENT = Math.LN2 / 1200;
/** Real strings' partials lie a little off the series, by what they hang on. Cents. */
const OFF_SERIES = 0.12;
const ROUNDS = 12;
/** How many spreads off a partial may lie at first, where the series is only nearly known. */
const WIDE = 60;
const MOST_B = 3e-3;

/** A series as one begins with it: the ideal string's pitch, Hz, and its stiffness. */
export interface Begun {
  readonly f0: number;
  readonly b: number;
}

/** How far a partial lies off a series, in its own standard deviations, and that deviation as a ratio's logarithm. */
function offSeries(
  p: Measured,
  { f0, b }: Begun,
  spread: number,
): { readonly off: number; readonly sd: number } {
  const sd = Math.sqrt(p.variance / (p.hz * p.hz) + (spread * CENT) ** 2);
  return { off: Math.log(p.hz / partialHz(f0, b, p.n)) / sd, sd };
}

/** The spread of what lies off, by its middle. */
function spreadOf(off: readonly number[]): number {
  const sizes = off.map(Math.abs).sort((x, y) => x - y);
  return Math.max(1, (sizes[sizes.length >> 1] ?? 0) / 0.6745);
}

/** One step of weighted least squares for ln f0 and B: what lies far off counts less and less (Tukey's weights). */
function stepOf(
  partials: readonly Measured[],
  now: Begun,
  spread: number,
  scale: number,
): (Begun & { readonly variance: number; readonly used: number }) | null {
  let [aa, ab, bb, ar, br, weights, used] = [0, 0, 0, 0, 0, 0, 0];
  for (const p of partials) {
    const { off, sd } = offSeries(p, now, spread);
    // d ln f / d B = n² / 2(1 + B n²)
    const slope = (0.5 * p.n * p.n) / (1 + now.b * p.n * p.n);
    const reach = 4.7 * scale;
    const t = Math.abs(off) < reach ? (1 - (off / reach) ** 2) ** 2 : 0;
    if (t > 0.3) used++;
    const w = t / (sd * sd);
    weights += t;
    aa += w;
    ab += w * slope;
    bb += w * slope * slope;
    ar += w * off * sd;
    br += w * off * sd * slope;
  }
  if (weights < 0.5) return null;
  const det = aa * bb - ab * ab;
  const both = partials.length >= 3 && det > 1e-12 * aa * bb;
  const dB = both ? (aa * br - ab * ar) / det : 0;
  const b = Math.min(MOST_B, Math.max(0, now.b + dB));
  // Where B stops at its edge, the pitch is fitted alone.
  const held = b !== now.b + dB;
  const f0 = now.f0 * Math.exp((ar - ab * (b - now.b)) / aa);
  // Of the first partial: ln f0 + ln √(1 + B).
  return { f0, b, variance: both && !held ? (bb - ab + 0.25 * aa) / det : 1 / aa, used };
}

function fitFrom(partials: readonly Measured[], begin: Begun, spread: number, wide: number): Series {
  let now = begin;
  let scale = wide;
  let [cents, used] = [Infinity, 0];
  for (let round = 0; round < ROUNDS; round++) {
    const next = stepOf(partials, now, spread, scale);
    if (!next) return { ...begin, cents: Infinity, used: 0 };
    now = { f0: next.f0, b: next.b };
    scale = spreadOf(partials.map((p) => offSeries(p, now, spread).off));
    cents = (Math.sqrt(Math.max(0, next.variance)) / CENT) * scale;
    used = next.used;
  }
  return { ...now, cents, used };
}

/**
 * Fits f0 and B to measured partials: in logarithms, each by its own doubt. First as near to what one begins with as its
 * middle partial is, then with more room: the one that explains more of them holds.
 * @param spread how far partials lie off a series by themselves, cents
 */
export function fitSeries(partials: readonly Measured[], begin: Begun, spread = OFF_SERIES): Series {
  const near = spreadOf(partials.map((p) => offSeries(p, begin, spread).off));
  const first = fitFrom(partials, begin, spread, Math.min(WIDE, 1.5 * near));
  if (first.used > 0.6 * partials.length) return first;
  const wide = fitFrom(partials, begin, spread, WIDE);
  return wide.used > first.used ? wide : first;
}
