import { z } from 'zod';
import { periodsSchema } from '../../periods.ts';
import { answering, command } from '../command.ts';
import { version } from '../fields.ts';

/** Keeps how long what is kept. */
export const houseSavePeriods = command({
  name: 'house.save-periods',
  may: 'house',
  events: ['periods changed'],
  input: z.object({ version, periods: periodsSchema }),
  answer: answering<{ readonly version: number }>(),
});
