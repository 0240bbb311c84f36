import { z } from 'zod';
import { habitsSchema } from '../../habits.ts';
import { answering, command } from '../command.ts';
import { version } from '../fields.ts';

/** Keeps how the shop reads: methods, working order, units, gauges, feelings. Rounds begun keep their methods. */
export const houseSaveHabits = command({
  name: 'house.save-habits',
  may: 'house',
  events: ['reading habits changed'],
  input: z.object({ version, habits: habitsSchema }),
  answer: answering<{ readonly version: number }>(),
});
