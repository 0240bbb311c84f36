import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/** Puts a part that was taken off into the job's next numbered bag; it has to go back like everything that came. */
export const custodyBag = command({
  name: 'custody.bag',
  may: 'work',
  events: ['part bagged'],
  input: z.object({ jobId: id, name: text(120).min(1, 'Which part is it?'), state: text(200) }),
  answer: answering<{ readonly bag: number }>(),
});
