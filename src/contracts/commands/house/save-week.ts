import { z } from 'zod';
import { weekRulesSchema } from '../../week-rules.ts';
import { answering, command } from '../command.ts';
import { version } from '../fields.ts';

/** Keeps of what the shop has few, when some of it cannot be used, and what counts how much in a plan. */
export const houseSaveWeek = command({
  name: 'house.save-week',
  may: 'house',
  events: ['week changed'],
  input: z.object({ version, rules: weekRulesSchema }),
  answer: answering<{ readonly version: number }>(),
});
