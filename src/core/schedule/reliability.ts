import type { Day } from '../days/zone.ts';

/** A promise whose job is done: for which day, how likely it was said to be, and when the instrument was ready. */
export interface KeptPromise {
  readonly day: Day;
  readonly chance: number;
  readonly ready: Day;
}

/** Promises that were said to be about as likely, and how many of them held. */
export interface Reliability {
  /** what was said on average */
  readonly said: number;
  readonly count: number;
  readonly held: number;
  /** whether so few or so many held as would be chance in fewer than one shop in twenty, were the said chance right */
  readonly off: 'fewer' | 'more' | null;
}

const BANDS = [0, 0.65, 0.9, 1.0001] as const;

/** How likely at most `held` of `count` hold, each with the same chance: the tail of the binomial distribution. */
export function atMost(held: number, count: number, chance: number): number {
  if (held < 0) return 0;
  if (held >= count) return 1;
  if (chance <= 0) return 1;
  if (chance >= 1) return 0;
  let term = count * Math.log(1 - chance);
  let sum = Math.exp(term);
  for (let k = 1; k <= held; k++) {
    term += Math.log((count - k + 1) / k) + Math.log(chance / (1 - chance));
    sum += Math.exp(term);
  }
  return Math.min(1, sum);
}

const TAIL = 0.025;

/** How promises came out, those said to be about as likely together; bands in which nothing was promised are left out. */
export function reliability(promises: readonly KeptPromise[]): Reliability[] {
  return BANDS.slice(0, -1).flatMap((from, i): Reliability[] => {
    const own = promises.filter((p) => p.chance >= from && p.chance < (BANDS[i + 1] ?? 1));
    if (own.length === 0) return [];
    const said = own.reduce((sum, p) => sum + p.chance, 0) / own.length;
    const held = own.filter((p) => p.ready <= p.day).length;
    const low = atMost(held, own.length, said) < TAIL;
    const high = 1 - atMost(held - 1, own.length, said) < TAIL;
    return [{ said, count: own.length, held, off: low ? 'fewer' : high ? 'more' : null }];
  });
}
