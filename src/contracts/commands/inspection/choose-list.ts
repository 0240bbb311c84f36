import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/** Chooses by which list a job is inspected, as long as nothing is answered yet. */
export const inspectionChooseList = command({
  name: 'inspection.choose-list',
  may: 'inspect',
  events: ['list chosen'],
  input: z.object({ jobId: id, list: text(40).min(1) }),
  answer: answering<{ readonly list: string }>(),
});
