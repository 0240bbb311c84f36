/** An amount in minor units (cents): a whole number, never a fraction. */
export type Minor = number;

/** Rounds half away from zero to a whole minor unit, the shop's rule for tax. `roundMinor(2.5)` → 3. */
export const roundMinor = (n: number): Minor => Math.sign(n) * Math.round(Math.abs(n));
