import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';
import { stepId } from './step-id.ts';

/** Takes a plan that was tried: where it puts its steps. */
export const weekTake = command({
  name: 'week.take',
  may: 'plan',
  events: ['plan taken'],
  input: z.object({
    steps: z
      .array(
        z.object({
          jobId: id,
          step: stepId,
          worker: id,
          spot: z.union([z.null(), z.string().max(40)]),
          at: z.number().int().min(0).max(Number.MAX_SAFE_INTEGER),
        }),
      )
      .min(1, 'Nothing moves by it')
      .max(5000),
    why: z.string().trim().max(160),
  }),
  answer: answering<{ readonly steps: number }>(),
});
