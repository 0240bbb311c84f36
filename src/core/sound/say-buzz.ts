/** From so much on it is a buzz: 0 is clear, 1 rattles. */
export const BUZZES_FROM = 0.5;

/** Whether so much is a buzz. */
export const buzzes = (amount: number): boolean => amount >= BUZZES_FROM;

/**
 * How much it buzzes to a hundredth, on the side of clear or buzzing that it was heard on.
 * @example keptBuzz(0.497) → 0.49
 */
export function keptBuzz(amount: number): number {
  const near = Math.round(100 * amount) / 100;
  return buzzes(amount) === buzzes(near) ? near : BUZZES_FROM - 0.01;
}

/**
 * How much it buzzes, as it is said beside *clear* or *buzzes*.
 * @example sayBuzz(0.934) → '0.93'
 */
export const sayBuzz = (amount: number): string => keptBuzz(amount).toFixed(2);
