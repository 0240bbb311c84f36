import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Finishes the inspection: every item asked must be answered; it keeps its checklist version from here on. */
export const inspectionFinish = command({
  name: 'inspection.finish',
  may: 'inspect',
  events: ['inspection finished'],
  input: z.object({ jobId: id, version, ending: text(60) }),
  answer: answering<{ readonly version: number }>(),
});
