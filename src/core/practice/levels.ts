/** How much is hidden, at most: at every level an instrument may be sound, too. */
export const LEVELS = {
  1: 'at most one thing, plain to see',
  2: 'one that is harder to see, or two plain ones',
  3: 'two or three at once, that may hide each other',
} as const;
export type Level = 1 | 2 | 3;
