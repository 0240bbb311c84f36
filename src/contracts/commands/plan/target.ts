import { z } from 'zod';
import { QUANTITIES } from '../../../core/readings/quantities.ts';
import { answering, command } from '../command.ts';
import { id, relative, text, version } from '../fields.ts';

/**
 * Sets a target of this job with its reason: the customer's wish or the job's own layer, for a side or one string, in
 * numbers or against what stands there now.
 */
export const planTarget = command({
  name: 'plan.target',
  may: 'plan',
  events: ['target set'],
  concerns: 'own leaves',
  input: z.object({
    jobId: id,
    quantity: z.enum(QUANTITIES),
    side: z.enum(['bass', 'treble', 'both']),
    string: z.number().int().min(0).max(14).optional(),
    layer: z.enum(['customer', 'job']).optional(),
    relative: relative.optional(),
    low: z.number().min(-50).max(50),
    aim: z.number().min(-50).max(50),
    high: z.number().min(-50).max(50),
    reason: text(200),
    version,
  }),
  answer: answering<{ readonly version: number }>(),
});
