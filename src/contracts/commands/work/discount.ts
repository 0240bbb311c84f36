import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Takes something off a work order, with the reason it will be asked for. */
export const workDiscount = command({
  name: 'work.discount',
  may: 'approve',
  events: ['discount given'],
  input: z.object({
    jobId: id,
    version,
    kind: z.enum(['none', 'amount', 'share']),
    value: z.number().int().min(0).max(100_000_000),
    reason: text(200),
  }),
  answer: answering<{ readonly version: number }>(),
});
