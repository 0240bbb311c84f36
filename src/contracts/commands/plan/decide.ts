import { z } from 'zod';
import { answering, command } from '../command.ts';
import { operationId } from '../../operation-id.ts';
import { id, text, version } from '../fields.ts';

/**
 * Accepts, changes or declines a proposed line, with the reason. Accepted and changed lines go on the work order; a change may
 * put another operation, and its price, in the place of the one proposed.
 */
export const planDecide = command({
  name: 'plan.decide',
  may: 'plan',
  events: ['line accepted', 'line changed', 'line declined', 'stock moved', 'part wanted'],
  input: z.object({
    jobId: id,
    line: text(60),
    decision: z.enum(['accepted', 'changed', 'declined']),
    change: text(400),
    /** the operation that is done instead, and its price; only for a change */
    instead: operationId.optional(),
    priceMinor: z.number().int().min(0).max(100_000_000).optional(),
    reason: text(400),
    version,
  }),
  answer: answering<{ readonly version: number }>(),
});
