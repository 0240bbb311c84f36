import { z } from 'zod';
import { operationId } from '../../operation-id.ts';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/** Puts an operation of the catalogue on the work order by hand. */
export const planAdd = command({
  name: 'plan.add',
  may: 'plan',
  events: ['line added', 'done in passing'],
  input: z.object({
    jobId: id,
    operation: operationId,
    detail: text(400),
    /** done already, in passing and without a charge: a colleague or the customer need not be asked */
    done: z.boolean().optional(),
  }),
  answer: answering<{ readonly lineId: number }>(),
});
