import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';

/** Somebody leaves the shop, or comes back: what they did stays theirs, signing in ends or begins again. */
export const peopleLeave = command({
  name: 'people.leave',
  may: 'house',
  events: ['person left', 'person came back'],
  input: z.object({ id, version, left: z.boolean() }),
  answer: answering<{ readonly version: number }>(),
});
