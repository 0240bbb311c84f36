import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Gives back something that came with the instrument, or says why it is not there. */
export const handOverReturn = command({
  name: 'hand-over.return',
  may: 'hand-over',
  events: ['thing returned'],
  input: z.object({ itemId: id, version, returned: z.boolean(), absence: text(200) }),
  answer: answering<{ readonly version: number }>(),
});
