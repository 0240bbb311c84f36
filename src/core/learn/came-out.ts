/** What somebody meant or was told, and what came of it, in one unit. */
export interface Outcome {
  readonly said: number;
  readonly came: number;
}

/** How outcomes lie about what was said. */
export interface CameOut {
  readonly count: number;
  /** the mean of what came beyond what was said; of shares: what came of a whole of 1 */
  readonly bias: number;
  /** how far single ones lie about it, one standard deviation; null for a single one */
  readonly spread: number | null;
  /** whether the bias is more than chance in fewer than one of twenty */
  readonly sure: boolean;
}

/** The normal distribution's point that 95 and 97.5 in 100 stay under. */
const Z95 = 1.6449;
const Z975 = 1.96;

/**
 * The t distribution's point, from the normal's, by its expansion in the degrees of freedom: within 0.02 from four on.
 * @param z the normal's point
 */
export const tPoint = (z: number, freedom: number): number =>
  z +
  (z ** 3 + z) / (4 * freedom) +
  (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * freedom ** 2) +
  (3 * z ** 7 + 19 * z ** 5 + 17 * z ** 3 - 15 * z) / (384 * freedom ** 3);

const meanOf = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

/** One standard deviation of values about their mean, null for fewer than two. */
function spreadOf(values: readonly number[], mean: number): number | null {
  if (values.length < 2) return null;
  return Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (values.length - 1));
}

/** The fewest of which anything is said to be sure. */
export const FEWEST = 5;

/** Values about nought: their bias, spread, and whether the bias is surely there. Null where there are none. */
export function cameOut(values: readonly number[]): CameOut | null {
  if (values.length === 0) return null;
  const bias = meanOf(values);
  const spread = spreadOf(values, bias);
  const count = values.length;
  const doubt = spread === null ? Infinity : (tPoint(Z975, count - 1) * spread) / Math.sqrt(count);
  return { count, bias, spread, sure: count >= FEWEST && Math.abs(bias) > doubt };
}

/** What came beyond what was said. */
export const differences = (all: readonly Outcome[]): readonly number[] => all.map((o) => o.came - o.said);

/** What came as a share of what was said, less one; what was said as nothing is left out. */
export const shares = (all: readonly Outcome[]): readonly number[] =>
  all.filter((o) => o.said > 0).map((o) => o.came / o.said - 1);

/** The least number of cuts a first cut is proposed from. */
export const ENOUGH_CUTS = 12;
const SHARE = { least: 0.5, most: 0.98 } as const;

/**
 * The share of the whole that a first cut may mean so that of a hundred such cuts five at most go past the whole: with cuts that come
 * out at m ± s of what was meant, 1 / (m + t·s·√(1 + 1/n)), to the whole per cent below.
 * @param cuts what was meant and what came off
 * @returns null where there are too few
 */
export function firstCutShare(cuts: readonly Outcome[]): number | null {
  const ratios = shares(cuts).map((r) => r + 1);
  if (ratios.length < ENOUGH_CUTS) return null;
  const mean = meanOf(ratios);
  const spread = spreadOf(ratios, mean) ?? 0;
  const n = ratios.length;
  const past = mean + tPoint(Z95, n - 1) * spread * Math.sqrt(1 + 1 / n);
  return Math.min(SHARE.most, Math.max(SHARE.least, Math.floor(100 / past + 1e-9) / 100));
}
