import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';

/** Takes back a turn of the rod that was logged by mistake; the log keeps that it was. */
export const workTakeBackTurn = command({
  name: 'work.take-back-turn',
  may: 'work',
  events: ['rod turn taken back'],
  input: z.object({ turnId: id, version }),
  answer: answering<{ readonly turnId: number }>(),
});
