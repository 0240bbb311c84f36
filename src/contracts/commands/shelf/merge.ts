import { z } from 'zod';
import { answering, command } from '../command.ts';
import { entity, id } from '../fields.ts';

/** Joins two that are one: jobs and instruments go to the one that is kept, the other steps back. Or says they are two. */
export const shelfMerge = command({
  name: 'shelf.merge',
  may: 'take-in',
  events: ['customers joined', 'customers kept apart', 'instruments joined', 'instruments kept apart'],
  input: z.object({ entity, keepId: id, goneId: id, verdict: z.enum(['same', 'apart']) }),
  answer: answering<{ readonly mergeId: number }>(),
});
