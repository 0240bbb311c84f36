import type { Operation } from '../catalogue/operation.ts';
import type { Doubt, Step } from './shop-work.ts';

const LEVEL = { bench: 0, setup: 1, senior: 2 } as const;

/** How an operation is done: what it takes of places, whether it can be cut. */
export const wayOf = (op: Operation): Pick<Step, 'wait' | 'rests' | 'holds' | 'skill' | 'place' | 'cut'> => ({
  wait: op.wait,
  // Where the wait was changed and its range was not, it is within it all the same.
  ...(op.wait > 0 &&
    op.waitRange && {
      rests: {
        low: Math.min(op.waitRange.low, op.wait),
        likely: op.wait,
        high: Math.max(op.waitRange.high, op.wait),
      },
    }),
  holds: op.wait > 0 && (op.place === 'clamps' || op.place === 'neck-jig'),
  skill: LEVEL[op.skill],
  place: op.place,
  // What sets or is clamped is done in one go.
  cut: op.wait === 0,
});

/** A step of which nothing is known but what it takes: at a bench, by anyone. Minutes. */
export const plainStep = (id: string, title: string, minutes: Doubt): Step => ({
  id,
  title,
  minutes,
  spent: 0,
  wait: 0,
  holds: false,
  after: [],
  skill: 0,
  place: 'bench',
  cut: true,
  only: null,
  pin: null,
  running: false,
  waits: null,
  guess: false,
});
