/** One measured row: times in ms, the ratio of its median to the baseline's in the same run. */
export interface Row {
  readonly id: string;
  readonly median: number;
  readonly p95: number;
  readonly unit: 'ms';
  readonly baseline: string;
  readonly ratio: number;
  readonly target: number;
  readonly ok: boolean;
}

/** The value below which a share of sorted numbers lies. */
export const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;

const round = (n: number): number => Number(n.toPrecision(4));

/** A row from sorted times and the sorted times of its baseline; the target is for its median, or for its p95. */
export function rowOf(
  id: string,
  target: number,
  baseline: string,
  base: readonly number[],
  measured: readonly number[],
  judged: 'median' | 'p95' = 'median',
): Row {
  const median = at(measured, 0.5);
  return {
    id,
    median: round(median),
    p95: round(at(measured, 0.95)),
    unit: 'ms',
    baseline,
    ratio: round(median / at(base, 0.5)),
    target,
    ok: (judged === 'median' ? median : at(measured, 0.95)) <= target,
  };
}
