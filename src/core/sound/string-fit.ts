import { candidates, partialHz, type Peak } from './candidates.ts';
import { fitTones, type Looked, type Tone } from './partials.ts';
import { fitSeries, type Begun, type Measured, type Series } from './series.ts';

/** How much of a sound is fitted: how many partials and others, and how often around. */
export interface Care {
  readonly partials: number;
  readonly others: number;
  readonly rounds: number;
}

/** The tones of a series, each with its number. */
type Own = readonly (Tone & { readonly n: number })[];

/** What stands in a spectrum: the tones of a series, and the others. */
interface Tones {
  readonly own: Own;
  readonly others: readonly Tone[];
}

/** A string as it was fitted, with what stands in the spectrum. */
export interface FittedString extends Series {
  readonly tones: Tones;
}

const isThere = (t: Tone | undefined): t is Tone => t !== undefined && t.cRe ** 2 + t.cIm ** 2 > 0;

/** How far from where a partial should stand its peak is sought: bins, and as a part of its pitch. */
interface Reach {
  readonly bins: number;
  readonly share: number;
}
const FAR: Reach = { bins: 1.5, share: 0.006 };
/** Where a series is known well already. */
const CLOSE: Reach = { bins: 0.6, share: 0 };

/** Fits the partials of a series together with what else stands in the spectrum. */
function split(
  looked: Looked,
  rate: number,
  series: Begun,
  peaks: readonly Peak[],
  care: Care,
  within: Reach = FAR,
): Tones {
  const toAngle = (2 * Math.PI) / rate;
  const width = rate / looked.length;
  const numbers: number[] = [];
  const begins: number[] = [];
  const taken = new Set<Peak>();
  const strongest = peaks[0]?.size ?? 0;
  for (let n = 1; n <= 2 * care.partials && numbers.length < care.partials; n++) {
    const hz = partialHz(series.f0, series.b, n);
    const reach = Math.min(0.3 * series.f0, Math.max(within.bins * width, within.share * hz));
    const near = peaks
      .filter((p) => Math.abs(p.hz - hz) < reach)
      .sort((a, b) => Math.abs(a.hz - hz) - Math.abs(b.hz - hz))[0];
    if (!near || near.size < 3e-4 * strongest) continue;
    numbers.push(n);
    begins.push(near.hz * toAngle);
    taken.add(near);
  }
  const beside = peaks.filter((p) => !taken.has(p)).slice(0, care.others);
  const tones = fitTones(looked, [...begins, ...beside.map((p) => p.hz * toAngle)], care.rounds);
  const own = numbers.flatMap((n, i) => {
    const t = tones[i];
    return isThere(t) ? [{ ...t, n }] : [];
  });
  return { own, others: tones.slice(numbers.length).filter(isThere) };
}

const hzOf = (t: Tone, rate: number): number => (t.angle * rate) / (2 * Math.PI);

const measured = (own: Own, rate: number): Measured[] =>
  own.map((t) => ({
    n: t.n,
    hz: hzOf(t, rate),
    variance: t.variance * (rate / (2 * Math.PI)) ** 2,
  }));

/** The partial by which is seen whether a series moved. */
const MOVED_AT = 8;

function fitFrom(
  looked: Looked,
  rate: number,
  begin: Begun,
  peaks: readonly Peak[],
  care: Care,
  within: Reach = FAR,
): FittedString {
  let tones = split(looked, rate, begin, peaks, care, within);
  let fitted = fitSeries(measured(tones.own, rate), begin);
  // Again from where that led, for partials that were sought elsewhere.
  const moved = Math.abs(partialHz(fitted.f0, fitted.b, MOVED_AT) - partialHz(begin.f0, begin.b, MOVED_AT));
  if (moved > (0.3 * rate) / looked.length) {
    tones = split(looked, rate, fitted, peaks, care, within);
    fitted = fitSeries(measured(tones.own, rate), fitted);
  }
  return { ...fitted, tones };
}

/** A tone as it counts for one series or another. */
interface Standing {
  readonly hz: number;
  readonly weight: number;
}

const standing = ({ own, others }: Tones, rate: number): Standing[] =>
  [...own, ...others]
    .map((t) => ({ hz: hzOf(t, rate), weight: Math.sqrt(Math.hypot(t.cRe, t.cIm)) }))
    .sort((a, b) => b.weight - a.weight);

const MOST_NUMBER = 60;
const MOST_B = 3e-3;
/** How near a tone has to stand to a partial to be it, bins. */
const IT_IS = 0.3;

/** The number of the partial that a tone is nearest to. */
function numberNear(hz: number, { f0, b }: Begun): number {
  let n = Math.max(1, Math.round(hz / f0));
  for (let i = 0; i < 3; i++) n = Math.max(1, Math.round(hz / (f0 * Math.sqrt(1 + b * n * n))));
  return n;
}

/** What stands on a series: the best of each partial, with how much that counts. */
function onSeries(all: readonly Standing[], series: Begun, width: number): Map<number, number> {
  const found = new Map<number, number>();
  for (const { hz, weight } of all) {
    const n = numberNear(hz, series);
    if (n > MOST_NUMBER) continue;
    const off = (hz - partialHz(series.f0, series.b, n)) / (IT_IS * width);
    const counts = weight * (1 - off * off);
    if (counts > (found.get(n) ?? 0)) found.set(n, counts);
  }
  return found;
}

const sum = (all: Iterable<number>): number => [...all].reduce((a, b) => a + b, 0);

/** How far from where one began a series may be found, as a part of its pitch. */
const AROUND = 0.02;
const FIRST_TONES = 10;
const LATER_TONES = 16;

/**
 * The stiff string on whose series most stands, of all that two tones say: (f/n)² = f0² (1 + B n²) at a low and a high one.
 * Another string's tones say other series, each for itself.
 */
function agreed(all: readonly Standing[], begin: Begun, width: number): Begun {
  let best: Begun = begin;
  let most = sum(onSeries(all, begin, width).values());
  const low = all.filter((t) => t.hz < 7.5 * begin.f0).slice(0, FIRST_TONES);
  const high = all.filter((t) => t.hz > 4.5 * begin.f0).slice(0, LATER_TONES);
  for (const p of low)
    for (const q of high) {
      const n = numberNear(p.hz, begin);
      const last = Math.round(q.hz / begin.f0);
      for (let m = numberNear(q.hz, { f0: begin.f0, b: 1e-3 }); m <= last; m++) {
        if (m < n + 3) continue;
        const [u, v] = [(p.hz / n) ** 2, (q.hz / m) ** 2];
        const slope = (v - u) / (m * m - n * n);
        const at0 = u - slope * n * n;
        const b = slope / at0;
        const f0 = Math.sqrt(at0);
        if (!(b >= 0 && b <= MOST_B) || Math.abs(f0 / begin.f0 - 1) > AROUND) continue;
        const score = sum(onSeries(all, { f0, b }, width).values());
        if (score > most) [best, most] = [{ f0, b }, score];
      }
    }
  return best;
}

/** From which doubt on a fit is tried again from elsewhere, cents; and how much less it must be then. */
const DOUBTFUL = 0.4;
const SURER = 0.6;
const LEAST_USED = 4;

/**
 * Fits a string from where one begins; where it is doubtful, again from what most tones agree on.
 * @param rate samples a second
 * @param begin the ideal string's pitch, Hz, and its stiffness
 */
export function fitString(
  looked: Looked,
  rate: number,
  begin: Begun,
  peaks: readonly Peak[],
  care: Care,
): FittedString {
  const first = fitFrom(looked, rate, begin, peaks, care);
  if (first.cents < DOUBTFUL) return first;
  const width = rate / looked.length;
  const again = fitFrom(looked, rate, agreed(standing(first.tones, rate), begin, width), peaks, care, CLOSE);
  return again.used >= LEAST_USED && again.cents < SURER * first.cents ? again : first;
}

/** How much of what stands on a series an octave lower must stand between, and on how many partials at least. */
const BETWEEN = 0.25;
const LEAST_BETWEEN = 4;
/** Of the first partials between, how many must be there: another string that rings brings every third of them at most. */
const FIRST_BETWEEN = [1, 3, 5, 7, 9, 11];
const MOST_OF_THEM = 4;

/**
 * The same string an octave lower, where partials stand between those of the series as they would then: beside another string
 * its even ones alone may have been taken for it. Null where they do not.
 * @param rate samples a second
 */
export function octaveLower(
  looked: Looked,
  rate: number,
  fitted: FittedString,
  peaks: readonly Peak[],
  care: Care,
): FittedString | null {
  const width = rate / looked.length;
  const lower = { f0: fitted.f0 / 2, b: fitted.b / 4 };
  const found = onSeries(standing(fitted.tones, rate), lower, width);
  const between = [...found].filter(([n]) => n % 2 === 1).map(([, w]) => w);
  if (between.length < LEAST_BETWEEN || sum(between) < BETWEEN * sum(found.values())) return null;
  if (FIRST_BETWEEN.filter((n) => found.has(n)).length < MOST_OF_THEM) return null;
  const again = fitFrom(looked, rate, lower, peaks, care, CLOSE);
  return again.used > fitted.used ? again : null;
}

const LEAST_OF_OTHER = 3;
const OTHER_SCORE = 0.3;

/**
 * The tones of another string that rings beside, none where there is none.
 * @param rate samples a second
 */
export function otherString(looked: Looked, rate: number, fitted: FittedString): readonly Tone[] {
  const { others } = fitted.tones;
  if (others.length < LEAST_OF_OTHER) return [];
  const peaks = others
    .map((t) => ({ hz: hzOf(t, rate), size: Math.hypot(t.cRe, t.cIm) }))
    .sort((a, b) => b.size - a.size);
  const [best] = candidates(peaks, rate, looked, []);
  if (!best || best.score < OTHER_SCORE || Math.abs(best.f0 / fitted.f0 - 1) < 0.01) return [];
  const width = rate / looked.length;
  const its = others.filter((t) => {
    const hz = hzOf(t, rate);
    return Math.abs(hz - partialHz(best.f0, best.b, numberNear(hz, best))) < width;
  });
  return its.length < LEAST_OF_OTHER ? [] : its;
}

/** Samples without some tones that were fitted to them from their first one on: each is 2·Re(c·e^(p·n)) at sample n. */
export function withoutTones(samples: Float32Array, tones: readonly Tone[]): Float32Array {
  const left = Float64Array.from(samples);
  for (const t of tones) {
    const m = Math.exp(-t.decay);
    const [re, im] = [m * Math.cos(t.angle), m * Math.sin(t.angle)];
    let [x, y] = [2 * t.cRe, 2 * t.cIm];
    for (let i = 0; i < left.length; i++) {
      left[i] = (left[i] as number) - x;
      [x, y] = [x * re - y * im, x * im + y * re];
    }
  }
  return Float32Array.from(left);
}

/**
 * The pitch (Hz) and its doubt (cents) of a string that is known, in a part of its sound.
 * @param rate samples a second
 */
export function fitPart(
  looked: Looked,
  rate: number,
  whole: Begun,
  peaks: readonly Peak[],
  care: Care,
): Series {
  return fitSeries(measured(split(looked, rate, whole, peaks, care).own, rate), whole, 0.3);
}
