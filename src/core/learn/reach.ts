import { tPoint } from './came-out.ts';
import type { At } from './season.ts';

/** One reading of something watched: found at a visit, or left. */
export interface WatchedAt extends At {
  readonly job: number;
  readonly left: boolean;
}

/** A limit of something watched. */
export interface WatchLimit {
  readonly limit: number;
  /** past which side of it something is to be done */
  readonly side: 'above' | 'below';
}

/** How something watched stands to its limit. */
export type Reach =
  | { readonly state: 'not read' }
  | { readonly state: 'reached'; readonly value: number; readonly at: number }
  /** it goes towards its limit: probably reached so, in nine of ten cases between; `late` null: perhaps never */
  | {
      readonly state: 'coming';
      readonly value: number;
      readonly early: number;
      readonly likely: number;
      readonly late: number | null;
    }
  /** it goes away from its limit, or hardly towards it */
  | { readonly state: 'far'; readonly value: number }
  /** too few visits, or no clear way in those there were */
  | { readonly state: 'unclear'; readonly value: number; readonly few: boolean };

const YEAR = 365.2425 * 86_400_000;
/** Further off than that nobody says when. */
const FAR_YEARS = 15;
/** What two readings differ by where nothing moved, mm. */
const READING = 0.03;
const Z95 = 1.6449;

/** How much something moved in how many years. */
interface Step {
  readonly by: number;
  readonly years: number;
}

/**
 * The steps that tell how it goes by itself: of what wears, from each visit's last reading to the next one's; of what is set anew at
 * each visit, from how it was left to how it was found.
 */
function stepsOf(series: readonly WatchedAt[], wears: boolean): readonly Step[] {
  const jobs = [...new Set(series.map((s) => s.job))];
  return jobs.slice(1).flatMap((job, i): Step[] => {
    const before = series.findLast((s) => s.job === jobs[i]);
    const own = series.filter((s) => s.job === job);
    const after = wears ? own.at(-1) : own.find((s) => !s.left);
    if (!before || !after || after.at <= before.at) return [];
    return [{ by: after.value - before.value, years: (after.at - before.at) / YEAR }];
  });
}

/** How much it moves in a year, with its doubt at so many degrees of freedom; null where nothing tells it. */
function yearly(steps: readonly Step[]): { readonly rate: number; readonly doubt: number } | null {
  const weight = steps.reduce((sum, s) => sum + s.years ** 2, 0);
  if (steps.length < 2 || weight <= 0) return null;
  const rate = steps.reduce((sum, s) => sum + s.by * s.years, 0) / weight;
  const off = steps.reduce((sum, s) => sum + (s.by - rate * s.years) ** 2, 0);
  const freedom = steps.length - 1;
  // Steps that agree better than the gauge can tell are not surer than the gauge.
  const spread = Math.max(READING, Math.sqrt(off / freedom));
  return { rate, doubt: (tPoint(Z95, Math.max(2, freedom)) * spread) / Math.sqrt(weight) };
}

/**
 * How something stands to its limit, and when it will probably be past it, from how it went between the visits so far.
 * @param series its readings in the order of time
 * @param now ms
 */
export function reachOf(
  series: readonly WatchedAt[],
  { limit, side }: WatchLimit,
  wears: boolean,
  now: number,
): Reach {
  const last = series.at(-1);
  if (!last) return { state: 'not read' };
  const sign = side === 'above' ? 1 : -1;
  const room = sign * (limit - last.value);
  // At its limit it still keeps to it.
  if (room < 0) return { state: 'reached', value: last.value, at: last.at };
  const going = yearly(stepsOf(series, wears));
  if (!going) return { state: 'unclear', value: last.value, few: true };
  const towards = sign * going.rate;
  const after = (rate: number): number | null => (rate > 0 ? room / rate : null);
  const [early, likely, late] = [after(towards + going.doubt), after(towards), after(towards - going.doubt)];
  if (early === null || early > FAR_YEARS) return { state: 'far', value: last.value };
  if (likely === null || likely > FAR_YEARS)
    return going.doubt > Math.abs(towards)
      ? { state: 'unclear', value: last.value, few: false }
      : { state: 'far', value: last.value };
  const day = (years: number): number => last.at + years * YEAR;
  return {
    state: 'coming',
    value: last.value,
    early: Math.max(now, day(early)),
    likely: Math.max(now, day(likely)),
    late: late === null || late > FAR_YEARS ? null : day(late),
  };
}

/** Whether it should be looked at by a moment: past its limit, or probably past it by then. */
export const wantsLook = (reach: Reach, by: number): boolean =>
  reach.state === 'reached' || (reach.state === 'coming' && reach.likely <= by);
