import type { Doubt } from './shop-work.ts';

/** How a customer answered what a job's plan would cost: whether it was more than a plain setup, and after how long, minutes. */
export interface Answered {
  readonly beyond: boolean;
  readonly minutes: number;
}

/** How long a customer takes to say yes to a price once the plan is made, minutes; null where it is said at the counter. */
export interface Answers {
  /** to a plain setup, whose price they know when they leave it */
  readonly plain: Doubt | null;
  /** to anything beyond one */
  readonly beyond: Doubt | null;
}

const DAY = 1440;
/** When a customer answers who is asked, minutes; a number of the trade, until the shop has its own. */
export const ANSWER: Doubt = { low: 120, likely: DAY, high: 3 * DAY };
export const USUAL_ANSWERS: Answers = { plain: null, beyond: ANSWER };

/** Fewer say nothing. */
const ENOUGH = 5;
/** Who takes no longer was asked while the instrument lay between them. */
const AT_ONCE = 30;

function took(all: readonly number[], usual: Doubt | null): Doubt | null {
  if (all.length < ENOUGH) return usual;
  const sorted = all.toSorted((x, y) => x - y);
  const part = (p: number): number => sorted[Math.round(p * (sorted.length - 1))] ?? 0;
  const here = { low: part(0.1), likely: part(0.5), high: part(0.9) };
  return here.high <= AT_ONCE ? null : here;
}

/**
 * How long customers take here to say yes: the middle four fifths where there were enough, else what is usual.
 * @param all what was answered in this shop
 */
export function answersHere(all: readonly Answered[]): Answers {
  const of = (beyond: boolean): number[] => all.flatMap((a) => (a.beyond === beyond ? [a.minutes] : []));
  return { plain: took(of(false), USUAL_ANSWERS.plain), beyond: took(of(true), USUAL_ANSWERS.beyond) };
}

/** One who has not answered for a while takes as likely as not half as long again, and hardly more than twice as long. Numbers of the trade. */
const AGAIN = { likely: 0.5, high: 2 };
/** Nobody waits in a plan for longer than this, minutes: somebody calls. */
const LONGEST = { likely: 7 * DAY, high: 14 * DAY };
/** A word takes this long at the least, minutes. */
const SOONEST = 30;

/**
 * How long an answer still takes when the customer has been asked for a while: what is left of the time it usually takes, and the
 * longer it is awaited the less that tells.
 * @param usual minutes from question to answer
 * @param waited minutes since they were asked
 * @returns minutes from now
 * @example answerAfter({ low: 120, likely: 1440, high: 4320 }, 1440) → { low: 30, likely: 720, high: 2880 }
 */
export function answerAfter(usual: Doubt, waited: number): Doubt {
  const gone = Math.max(0, waited);
  const low = Math.max(SOONEST, usual.low - gone);
  const likely = Math.max(low, usual.likely - gone, Math.min(LONGEST.likely, AGAIN.likely * gone));
  return {
    low,
    likely,
    high: Math.max(likely, usual.high - gone, Math.min(LONGEST.high, AGAIN.high * gone)),
  };
}
