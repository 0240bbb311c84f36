import { z } from 'zod';
import { answering, command } from '../command.ts';
import { howLongAgo, id, lineOrNone, text } from '../fields.ts';

/** Writes a note, or asks a colleague; who is asked or named hears of it. */
export const workRemark = command({
  name: 'work.remark',
  may: 'see',
  events: ['remark made'],
  offline: true,
  input: z.object({
    jobId: id,
    lineId: lineOrNone,
    kind: z.enum(['note', 'question']),
    words: text(2000).min(1, 'Write it first.'),
    toPerson: z.union([z.null(), id]),
    ago: howLongAgo,
  }),
  answer: answering<{ readonly remarkId: number }>(),
});
