import type { Newton } from '../units/unit-types.ts';

/** What a change of set, scale or tuning does to the total pull, and so to the neck. */
export interface PullChange {
  readonly before: Newton;
  readonly after: Newton;
  readonly change: Newton;
  readonly relief: 'more' | 'less' | 'the same';
}

/** Below this share of the old pull the neck hardly answers. */
const FELT_SHARE = 0.01;

/** Compares two pulls. @example pullChange(700, 770) → change 70, relief 'more' */
export function pullChange(before: Newton, after: Newton): PullChange {
  const change = after - before;
  const felt = Math.abs(change) > FELT_SHARE * before;
  return { before, after, change, relief: !felt ? 'the same' : change > 0 ? 'more' : 'less' };
}
