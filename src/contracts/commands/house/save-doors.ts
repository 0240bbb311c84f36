import { z } from 'zod';
import { doorsSchema } from '../../doors.ts';
import { answering, command } from '../command.ts';
import { version } from '../fields.ts';

/** Keeps after how long a tablet that nobody touches asks for a PIN again. */
export const houseSaveDoors = command({
  name: 'house.save-doors',
  may: 'house',
  events: ['doors changed'],
  input: z.object({ version, doors: doorsSchema }),
  answer: answering<{ readonly version: number }>(),
});
