/** What a row is judged by: how many times its baseline a number of it may be, in the same run. */
export interface Limit {
  readonly of: 'median' | 'p95';
  readonly times: number;
  /** what that is on a quiet machine: said, not judged */
  readonly quiet: number;
}

/** One measured row: times in ms, or what a plan costs, and how many times the baseline's median its judged number is. */
export interface Row {
  readonly id: string;
  readonly median: number;
  readonly p95: number;
  readonly unit: 'ms' | 'cost';
  readonly baseline: string;
  readonly base: number;
  /** the judged number over the baseline's median */
  readonly ratio: number;
  readonly limit: Limit;
  readonly ok: boolean;
}

/** The value below which a share of sorted numbers lies. */
export const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;

const round = (n: number): number => Number(n.toPrecision(4));

/** A row from sorted times and the sorted times of its baseline: machines differ, what one run says of both does not. */
export function rowOf(
  id: string,
  limit: Limit,
  baseline: string,
  base: readonly number[],
  measured: readonly number[],
  unit: Row['unit'] = 'ms',
): Row {
  const [median, p95, bare] = [at(measured, 0.5), at(measured, 0.95), at(base, 0.5)];
  const ratio = (limit.of === 'median' ? median : p95) / bare;
  return {
    id,
    median: round(median),
    p95: round(p95),
    unit,
    baseline,
    base: round(bare),
    ratio: round(ratio),
    limit,
    ok: ratio <= limit.times,
  };
}

/** A row's words: what was measured, and beside what. */
export function sayRow(r: Row): string {
  const isTime = r.unit === 'ms';
  const is = r.ok ? 'ok  ' : isTime ? 'SLOW' : 'FAR ';
  return (
    `${is} ${r.id.padEnd(34)} ${r.limit.of} ${r.ratio}× ${r.baseline} (at most ${r.limit.times}×) · ` +
    (isTime
      ? `median ${r.median} ms, p95 ${r.p95} ms; quiet about ${r.limit.quiet} ms`
      : `${r.median} beside ${r.base}`)
  );
}

export const median = (times: number, quiet: number): Limit => ({ of: 'median', times, quiet });
export const p95 = (times: number, quiet: number): Limit => ({ of: 'p95', times, quiet });
