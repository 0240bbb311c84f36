import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/**
 * The strings come off. What can be read only with them on must be read first, or a reason given; who did it, when, and
 * what was lost is kept. What is read from now on is not representative until strings are on again.
 */
export const stringsOff = command({
  name: 'strings.off',
  may: 'work',
  events: ['strings taken off'],
  input: z.object({ jobId: id, reason: text(400) }),
  answer: answering<{ readonly lost: number }>(),
});
