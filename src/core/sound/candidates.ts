import type { Looked } from './partials.ts';

/** A place where the spectrum stands up: Hz, and how strong. */
export interface Peak {
  readonly hz: number;
  readonly size: number;
}

/** A series of partials that would explain what is heard. */
export interface Candidate {
  /** the ideal string's pitch, Hz */
  readonly f0: number;
  readonly b: number;
  /** how well it explains what is heard, 0 to 1 */
  readonly score: number;
}

export const LOWEST_HZ = 24;
export const HIGHEST_HZ = 1500;
const HIGHEST_PARTIAL_HZ = 6000;
/** A peak stands so many times over the noise's power. */
const OVER_NOISE = 16;
const MOST_PEAKS = 70;
/** Under this part of the strongest, a peak is no partial one looks for. */
const LEAST_PART = 1e-4;

/** The peaks of a spectrum, the strongest first. */
export function peaksOf({ spectrum: { re, im }, size, length, noise }: Looked, rate: number): Peak[] {
  const power = (k: number): number => (re[k] as number) ** 2 + (im[k] as number) ** 2;
  const last = Math.min(size / 2 - 2, Math.floor((HIGHEST_PARTIAL_HZ * size) / rate));
  const found: Peak[] = [];
  for (let k = Math.max(2, Math.floor((LOWEST_HZ * size) / rate)); k <= last; k++) {
    const p = power(k);
    if (p <= power(k - 1) || p < power(k + 1) || p < OVER_NOISE * noise(k)) continue;
    const [a, b, c] = [Math.log(power(k - 1) + 1e-30), Math.log(p), Math.log(power(k + 1) + 1e-30)];
    const shift = (0.5 * (a - c)) / (a - 2 * b + c);
    found.push({ hz: ((k + (Number.isFinite(shift) ? shift : 0)) * rate) / size, size: Math.sqrt(p) });
  }
  found.sort((x, y) => y.size - x.size);
  const least = LEAST_PART * (found[0]?.size ?? 0);
  const width = rate / length;
  const kept: Peak[] = [];
  for (const p of found) {
    if (p.size < least || kept.length === MOST_PEAKS) break;
    if (!kept.some((q) => p.size < SHOULDER * q.size * sidelobe(Math.abs(p.hz - q.hz) / width))) kept.push(p);
  }
  return kept;
}

/** How far a tone's own shoulders reach, with some room for its dying away. */
const SHOULDER = 2.5;

/** The height of a Hann window's sidelobes, so many bins away. */
const sidelobe = (bins: number): number => (bins < 1.2 ? 1 : 1 / (Math.PI * bins * (bins * bins - 1)));

const partial = (f0: number, b: number, n: number): number => n * f0 * Math.sqrt(1 + b * n * n);

interface Begun {
  readonly f0: number;
  readonly b: number;
}

interface Matched {
  readonly n: number;
  readonly hz: number;
  readonly weight: number;
}

const middle = (all: number[]): number => all.sort((x, y) => x - y)[all.length >> 1] ?? 0;

/** The slope that has as much weight under it as over it. */
function heavyMiddle(all: { readonly slope: number; readonly weight: number }[]): number {
  all.sort((x, y) => x.slope - y.slope);
  let left = all.reduce((sum, { weight }) => sum + weight, 0) / 2;
  for (const { slope, weight } of all) {
    left -= weight;
    if (left <= 0) return slope;
  }
  return 0;
}

/**
 * The series through partials that were found: (f/n)² = f0² (1 + B n²), a straight line in n². By the middle of all slopes,
 * so that some that are another string's change nothing.
 * @param heavy slopes between partials far apart count more: better where single ones lie off, worse beside another string
 */
function lineThrough(matched: readonly Matched[], heavy: boolean): Begun {
  const points = matched.map((m) => ({ u: m.n * m.n, v: (m.hz / m.n) ** 2 }));
  const slopes: { readonly slope: number; readonly weight: number }[] = [];
  for (let i = 0; i < points.length; i++)
    for (let k = i + 1; k < points.length; k++) {
      const [p, q] = [points[i], points[k]];
      // Far apart they say it well, near each other hardly.
      if (p && q && q.u > 1.4 * p.u)
        slopes.push({ slope: (q.v - p.v) / (q.u - p.u), weight: heavy ? q.u - p.u : 1 });
    }
  const slope = heavyMiddle(slopes);
  const at0 = middle(points.map((p) => p.v - slope * p.u));
  const b = Math.min(MOST_B, Math.max(0, slope / at0));
  return { f0: Math.sqrt(middle(points.map((p) => p.v / (1 + b * p.u)))), b };
}

/** The first ones say the pitch, the last ones the stiffness. */
const firstAndLast = (matched: readonly Matched[]): readonly Matched[] =>
  matched.length <= 12 ? matched : [...matched.slice(0, 5), ...matched.slice(-7)];

/** From how many partials on their line is followed; before that the stiffness is what one began with. */
const A_LINE = 5;
const MOST_B = 3e-3;
const MOST_NUMBER = 40;
const MISSING_IN_A_ROW = 5;

interface Weighed extends Peak {
  readonly weight: number;
}

/** Follows a series through the peaks from its first partials on, and learns how stiff it is on the way. */
function follow(peaks: readonly Weighed[], begin: Begun, bin: number, heavy: boolean): Begun {
  let { f0, b } = begin;
  const matched: Matched[] = [];
  let inRow = 0;
  const last = peaks.at(-1)?.hz ?? 0;
  for (let n = 1; n <= MOST_NUMBER && inRow < MISSING_IN_A_ROW; n++) {
    const hz = partial(f0, b, n);
    if (hz > last + bin) break;
    const near = nearest(peaks, hz);
    const share = matched.length < A_LINE ? 0.012 : 0.004;
    const tolerance = Math.min(0.3 * f0, Math.max(0.7 * bin, share * hz));
    if (!near || Math.abs(near.hz - hz) > tolerance) {
      if (matched.length > 0) inRow++;
      continue;
    }
    matched.push({ n, hz: near.hz, weight: near.weight });
    inRow = 0;
    if (matched.length < 2) continue;
    if (matched.length < A_LINE) f0 = meanPitch(matched, b);
    else if (matched.length < 9 || matched.length % 4 === 0)
      ({ f0, b } = lineThrough(firstAndLast(matched), heavy));
  }
  return { f0, b };
}

/** How well a series explains the peaks: how much of them, how nearly, and how little is missing from it. */
function judge(peaks: readonly Weighed[], all: number, begin: Begun, bin: number, heavy = false): Candidate {
  const { f0, b } = follow(peaks, begin, bin, heavy);
  const last = peaks.at(-1)?.hz ?? 0;
  const found: Matched[] = [];
  let [explained, missing, missed, inRow] = [0, 0, 0, 0];
  for (let n = 1; n <= MOST_NUMBER; n++) {
    const hz = partial(f0, b, n);
    if (hz > last + bin) break;
    const near = nearest(peaks, hz);
    const tolerance = Math.min(0.3 * f0, Math.max(0.8 * bin, 0.003 * hz));
    const off = near ? Math.abs(near.hz - hz) / tolerance : Infinity;
    if (near && off <= 1) {
      found.push({ n, hz: near.hz, weight: near.weight });
      explained += near.weight * (1 - 0.5 * off * off);
      missing += missed;
      missed = 0;
      inRow = 0;
    } else {
      missed += weightAround(found, all);
      if (++inRow >= MISSING_IN_A_ROW && found.length > 0) break;
    }
  }
  const fill = explained / (explained + missing + 1e-12);
  // One partial alone is any pitch.
  const enough = found.length >= 3 ? 1 : found.length === 2 ? 0.8 : 0.45;
  return { f0, b, score: enough * (explained / all) * fill ** 1.5 };
}

/** The pitch of a string of known stiffness, by its first partials. */
function meanPitch(matched: readonly Matched[], b: number): number {
  const w = matched.reduce((sum, m) => sum + m.weight * partial(1, b, m.n), 0);
  return matched.reduce((sum, m) => sum + m.weight * m.hz, 0) / w;
}

/** What a partial that is missing would have weighed: about what the last ones did. */
const weightAround = (matched: readonly { weight: number }[], all: number): number => {
  const last = matched.slice(-3);
  return last.length === 0 ? all * 0.04 : last.reduce((sum, m) => sum + m.weight, 0) / last.length;
};

/** The nearest of peaks sorted by frequency. */
function nearest(peaks: readonly Weighed[], hz: number): Weighed | null {
  let [low, high] = [0, peaks.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((peaks[middle] as Weighed).hz < hz) low = middle + 1;
    else high = middle;
  }
  const [a, b] = [peaks[low - 1], peaks[low]];
  if (!a) return b ?? null;
  return b && Math.abs(b.hz - hz) < Math.abs(a.hz - hz) ? b : a;
}

/** How many candidates are tried as stiffer strings, and how stiff. */
const AGAIN = 4;
const SAME = 0.006;
/** Beginnings closer than that are followed once. */
const ALIKE = 0.0025;
const FIRST_PARTIALS = [1, 2, 3, 5];
const NEARLY = 0.015;
const STIFFNESS = [0, 1e-4, 4e-4, 1.3e-3];

/** The same pitch as a stiffer string's, begun from its first partials: a series of high numbers hides how stiff it is. */
function stiff(peaks: readonly Weighed[], all: number, c: Candidate, bin: number): Candidate {
  const by = Math.min(AWAITED, Math.max(1, c.score / Math.max(1e-12, judge(peaks, all, c, bin).score)));
  let best = c;
  for (const n of FIRST_PARTIALS) {
    const hz = partial(c.f0, c.b, n);
    const near = nearest(peaks, hz);
    if (!near || Math.abs(near.hz / hz - 1) > NEARLY) continue;
    for (const b of STIFFNESS)
      for (const heavy of [false, true]) {
        const again = judge(peaks, all, { f0: near.hz / partial(1, b, n), b }, bin, heavy);
        if (again.score * by > best.score * 1.0001) best = { ...again, score: again.score * by };
      }
  }
  return best;
}

/** How far from what is awaited a pitch is still sought there, as a ratio's logarithm. */
const NEAR_AWAITED = Math.log(2) / 6;
const AWAITED = 1.15;

/**
 * The series that may be heard, the likeliest first.
 * @param awaited pitches one waits for, Hz: near one of them a candidate is a little likelier
 */
export function candidates(
  found: readonly Peak[],
  rate: number,
  { size, length }: Looked,
  awaited: readonly number[],
): Candidate[] {
  const peaks = found.map((p): Weighed => ({ ...p, weight: Math.sqrt(p.size) })).sort((a, b) => a.hz - b.hz);
  const all = peaks.reduce((sum, p) => sum + p.weight, 0);
  const bin = rate / Math.min(size, length * 1.2);
  const begins: number[] = [];
  for (const p of found.slice(0, 12))
    for (let n = 1; n <= 14; n++) {
      const f0 = p.hz / n;
      const near = begins.some((known) => Math.abs(known / f0 - 1) < ALIKE);
      if (f0 >= LOWEST_HZ && f0 <= HIGHEST_HZ && !near) begins.push(f0);
    }
  const judged = [...begins]
    .sort((x, y) => x - y)
    .map((f0) => {
      const c = judge(peaks, all, { f0, b: 0 }, bin);
      const near = awaited.some((a) => Math.abs(Math.log(c.f0 / a)) < NEAR_AWAITED);
      return near ? { ...c, score: c.score * AWAITED } : c;
    });
  const distinct: Candidate[] = [];
  for (const c of judged.sort((x, y) => y.score - x.score)) {
    if (distinct.length === AGAIN) break;
    if (!distinct.some((d) => Math.abs(c.f0 / d.f0 - 1) < SAME)) distinct.push(c);
  }
  return distinct
    .map((c) => stiff(peaks, all, c, bin))
    .filter((c) => c.f0 >= LOWEST_HZ && c.f0 <= HIGHEST_HZ)
    .sort((x, y) => y.score - x.score);
}

export { partial as partialHz };
