import { z } from 'zod';
import { rulesSchema } from '../../house-rules.ts';
import { answering, command } from '../command.ts';
import { version } from '../fields.ts';

/** Keeps how the shop hands over: second check, window for tweaks, next check, how long links open. */
export const houseSaveRules = command({
  name: 'house.save-rules',
  may: 'house',
  events: ['hand-over rules changed'],
  input: z.object({ version, rules: rulesSchema }),
  answer: answering<{ readonly version: number }>(),
});
