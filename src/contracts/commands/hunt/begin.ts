import { z } from 'zod';
import { AGREED_BY, type AgreedBy } from '../../../core/hunt/hunt-record.ts';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';

const MOST_MINUTES = 600;

/** Begins the hunt for a noise, or changes how long it may take and how the customer agreed to that. */
export const huntBegin = command({
  name: 'hunt.begin',
  may: 'measure',
  events: ['hunt begun'],
  concerns: 'own leaves',
  input: z.object({
    jobId: id,
    version,
    /** minutes; null: nothing is agreed */
    limit: z.number().int().min(5, 'Five minutes at least').max(MOST_MINUTES, 'Ten hours at most').nullable(),
    agreed: z.enum(Object.keys(AGREED_BY) as [AgreedBy, ...AgreedBy[]]).nullable(),
  }),
  answer: answering<{ readonly version: number }>(),
});
