import { z } from 'zod';
import { ANSWERS } from '../../../core/inspection/checklist.ts';
import { answering, command } from '../command.ts';
import { howLongAgo, id, text, version } from '../fields.ts';

/** Answers one item of the checklist, with its note. The answer is kept with the checklist's version. */
export const inspectionAnswer = command({
  name: 'inspection.answer',
  may: 'inspect',
  events: ['item answered'],
  concerns: 'own leaves',
  offline: true,
  input: z.object({
    jobId: id,
    item: text(40),
    answer: z.enum(ANSWERS).nullable(),
    note: text(2000),
    /** what was found, by its name on the item; only for what needs work */
    finding: text(40).optional(),
    version,
    ago: howLongAgo,
  }),
  answer: answering<{ readonly version: number }>(),
});
