import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Ticks the bench check; when all is ticked it is signed by who did it. */
export const handOverCheck = command({
  name: 'hand-over.check',
  may: 'hand-over',
  events: ['bench checked'],
  input: z.object({
    jobId: id,
    version,
    checks: z.record(z.string(), z.boolean()),
    exception: text(400),
  }),
  answer: answering<{ readonly version: number }>(),
});
