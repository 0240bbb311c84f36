import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';

/** Says what an instrument is worth: it decides what may be spent on it and what may be done to it. */
export const planWorth = command({
  name: 'plan.worth',
  may: 'plan',
  events: ['worth said'],
  input: z.object({
    jobId: id,
    worthMinor: z.union([z.null(), z.number().int().min(0).max(100_000_000_00)]),
    version,
  }),
  answer: answering<{ readonly version: number }>(),
});
