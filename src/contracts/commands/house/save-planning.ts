import { z } from 'zod';
import { planRulesSchema } from '../../plan-rules.ts';
import { answering, command } from '../command.ts';
import { version } from '../fields.ts';

/** Keeps how the shop plans: limits, what is weighed against money, what a worth decides. */
export const houseSavePlanning = command({
  name: 'house.save-planning',
  may: 'house',
  events: ['planning rules changed'],
  input: z.object({ version, rules: planRulesSchema }),
  answer: answering<{ readonly version: number }>(),
});
