/** From so much on it is a buzz: 0 is clear, 1 rattles. */
export const BUZZES_FROM = 0.5;

/** Whether so much is a buzz. */
export const buzzes = (amount: number): boolean => amount >= BUZZES_FROM;

/** How much it buzzes: `0.93`. */
export const sayBuzz = (amount: number): string => amount.toFixed(2);
