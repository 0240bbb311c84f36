import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';

/** Compares a gauge with a reference: what it shows too much is its zero offset from now on, and it is not due for a while. */
export const houseCheckGauge = command({
  name: 'house.check-gauge',
  may: 'measure',
  events: ['gauge checked'],
  input: z.object({
    gaugeId: id,
    version,
    reference: z.number().min(0).max(1000),
    shows: z.number().min(-1000).max(1000),
  }),
  answer: answering<{ readonly version: number }>(),
});
