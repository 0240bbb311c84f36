import { z } from 'zod';
import { WAITS } from '../../../core/job/waiting.ts';
import { answering, command } from '../command.ts';
import { id, text, together, version } from '../fields.ts';

/** Says where a job hangs, who has it and what it waits for. */
export const rackMove = command({
  name: 'rack.move',
  may: 'see',
  events: ['job moved'],
  input: z.object({
    jobId: id,
    version,
    placeId: z.union([z.null(), id]),
    together,
    waitingFor: z.enum(WAITS),
    waitingNote: text(200),
    holderId: z.union([z.null(), id]),
  }),
  answer: answering<{ readonly version: number }>(),
});
