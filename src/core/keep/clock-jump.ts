/** What two clocks of one machine show at a moment, ms: the one on the wall, which is set, and the one that only ever runs on. */
export interface TwoClocks {
  readonly wall: number;
  readonly running: number;
}

/** Clocks that are drawn together by and by differ by less: nobody has set one. */
const DRAWN_MS = 30_000;

/**
 * By how much the clock on the wall was set between two looks, ms: forward more than nothing, back less. 0 where it only ran.
 * @example clockJump({ wall: 0, running: 0 }, { wall: 3602000, running: 2000 }) → 3600000
 */
export function clockJump(before: TwoClocks, now: TwoClocks): number {
  const by = now.wall - before.wall - (now.running - before.running);
  return Math.abs(by) < DRAWN_MS ? 0 : Math.round(by);
}
