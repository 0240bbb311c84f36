import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, MOST_WHOLE } from '../fields.ts';
import { stepId } from './step-id.ts';

/** Puts a step to somebody, not before a moment, for so long; with none of it, it is the planner's again. */
export const weekPut = command({
  name: 'week.put',
  may: 'plan',
  events: ['step put'],
  input: z.object({
    jobId: id,
    step: stepId,
    worker: z.union([z.null(), id]),
    /** ms since the epoch */
    at: z.union([z.null(), z.number().int().min(0).max(Number.MAX_SAFE_INTEGER)]),
    /** how long it takes in all, with what was worked on it already; null: as the planner counts */
    minutes: z.union([
      z.null(),
      z.number().int().min(5, 'At least 5 minutes').max(4800, 'At most 4800 minutes'),
    ]),
    /** the version of where it was put before; 0 where nobody had */
    version: z.number().int().min(0).max(MOST_WHOLE),
  }),
  answer: answering<{ readonly version: number }>(),
});
