import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Takes a link back: it opens nothing any more. */
export const workWithdrawLink = command({
  name: 'work.withdraw-link',
  may: 'hand-over',
  events: ['link taken back'],
  input: z.object({ linkId: id }),
  answer: answering<{ readonly linkId: number }>(),
});
