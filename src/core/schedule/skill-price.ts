import type { Board } from './board.ts';
import { workedBefore } from './calendar.ts';

const DAY = 1440;
const HOUR = 60;

/** What a minute of hands of each level of skill is worth to those that wait for them (a plan's cost), by day of the plan. */
export type SkillPrices = readonly Float64Array[];

/**
 * What a job asks of hands of a level of skill and above, minutes: its steps that nobody below may do.
 * @param level 0: of any hands
 */
export const askedOf = (b: Board, job: number, level: number): number =>
  (b.ofJob[job] ?? []).reduce((sum, at) => {
    const { who = [], minutes = 0 } = b.steps[at] ?? {};
    const nobodyBelow = who.length > 0 && who.every((i) => (b.work.workers[i]?.skill ?? 0) >= level);
    return sum + (nobodyBelow ? minutes : 0);
  }, 0);

/** What a minute of all hands of a level together costs those behind it, as if they did one job after the other. */
function pricesOf(b: Board, level: number, days: number): Float64Array {
  const able = b.calendars.filter((_, i) => (b.work.workers[i]?.skill ?? 0) >= level);
  const asked = b.ofJob
    .map((_, job) => askedOf(b, job, level))
    .filter((minutes) => minutes > 0)
    .sort((x, y) => x - y);
  const worth = new Float64Array(days);
  let next = 0;
  let left = asked[0] ?? 0;
  for (let day = 0; day < days && next < asked.length; day++) {
    const has = able.reduce(
      (sum, c) => sum + workedBefore(c, (day + 1) * DAY) - workedBefore(c, day * DAY),
      0,
    );
    for (let room = has; room > 0 && next < asked.length;) {
      const part = Math.min(room, left);
      worth[day] = (worth[day] ?? 0) + part / has / (asked[next] ?? 1);
      room -= part;
      left -= part;
      if (left <= 0) left = asked[++next] ?? 0;
    }
  }
  const price = new Float64Array(days + 1);
  // At a night or on a closed day nobody's work goes on, but everybody behind waits.
  let last = 0;
  for (let day = days - 1; day >= 0; day--) {
    if ((worth[day] ?? 0) > 0) last = worth[day] ?? 0;
    price[day] = (price[day + 1] ?? 0) + (b.work.weights.stay * last * DAY) / HOUR;
  }
  return price;
}

/**
 * What a minute of hands of each level of skill costs those that wait for it: the more of them there are, the more. Of levels the one
 * that costs more counts for all above it.
 */
export function skillPrices(b: Board): SkillPrices {
  const levels = 1 + Math.max(0, ...b.work.workers.map((w) => w.skill));
  const days = Math.ceil(Math.max(0, ...b.anybody.to) / DAY);
  const prices: Float64Array[] = [];
  for (let level = 0; level < levels; level++) {
    const own = pricesOf(b, level, days);
    prices.push(own.map((price, day) => Math.max(price, prices[level - 1]?.[day] ?? 0)));
  }
  return prices;
}

/**
 * What it costs others that a minute of somebody's goes into what less skill could do: a plan's cost, a minute.
 * @param at a moment, minutes since the plan's beginning
 */
export const costOfSkill = (prices: SkillPrices, skill: number, needed: number, at: number): number => {
  const day = Math.floor(at / DAY);
  return Math.max(0, (prices[skill]?.[day] ?? 0) - (prices[Math.min(skill, needed)]?.[day] ?? 0));
};
