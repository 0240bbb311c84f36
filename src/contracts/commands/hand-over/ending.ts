import { z } from 'zod';
import { SIGNED_ENDS } from '../../../core/hand-over/ends.ts';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Says how a job will end that the customer signs for: done, or as it is. */
export const handOverEnding = command({
  name: 'hand-over.ending',
  may: 'hand-over',
  events: ['ending said'],
  input: z.object({ jobId: id, version, ending: z.enum(SIGNED_ENDS), note: text(400) }),
  answer: answering<{ readonly version: number }>(),
});
