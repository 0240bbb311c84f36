/** Below this chance a date is in danger. */
export const ENDANGERED = 0.8;

/** A chance as the bench says it: `84 in 100`; never nothing and never all. */
export function sayChance(chance: number): string {
  const whole = Math.round(chance * 100);
  if (whole <= 0) return 'under 1 in 100';
  return whole >= 100 ? 'over 99 in 100' : `${whole} in 100`;
}
