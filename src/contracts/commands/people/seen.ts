import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Quiets one's own bell up to a notice. */
export const peopleSeen = command({
  name: 'people.seen',
  may: 'see',
  events: ['bell quieted'],
  input: z.object({ upTo: id }),
  answer: answering<{ readonly seen: number }>(),
});
