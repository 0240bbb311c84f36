import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Answers a question; the answer stays. */
export const workReply = command({
  name: 'work.reply',
  may: 'see',
  events: ['remark answered'],
  input: z.object({ remarkId: id, version, answer: text(2000).min(1, 'Write the answer first.') }),
  answer: answering<{ readonly version: number }>(),
});
