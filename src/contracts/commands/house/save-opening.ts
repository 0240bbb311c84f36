import { z } from 'zod';
import { openingSchema } from '../../opening.ts';
import { answering, command } from '../command.ts';
import { version } from '../fields.ts';

/** Keeps when the shop is open and on which days it is closed. */
export const houseSaveOpening = command({
  name: 'house.save-opening',
  may: 'house',
  events: ['opening changed'],
  input: z.object({ version, opening: openingSchema }),
  answer: answering<{ readonly version: number }>(),
});
