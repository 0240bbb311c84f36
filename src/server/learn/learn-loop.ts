import { database } from '../db/connection.ts';
import { loopOf } from '../keep/loop.ts';
import { learnDue } from './learn-due.ts';

const EVERY_MS = 20_000;
const AFTER_FAULT_MS = 120_000;

/** Counts what closed visits tell of their instruments, by itself, as long as the process lives. */
export const startLearning = loopOf({
  first: 5_000,
  every: EVERY_MS,
  afterFault: AFTER_FAULT_MS,
  fault: 'learning rests: the house could not be asked',
  once: () => learnDue(database()),
});
