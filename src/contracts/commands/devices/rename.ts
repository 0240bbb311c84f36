import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Gives a tablet another name. */
export const devicesRename = command({
  name: 'devices.rename',
  may: 'house',
  events: ['device renamed'],
  input: z.object({
    id,
    name: z.string().trim().min(1, 'What is it called?').max(80, 'At most 80 characters'),
  }),
  answer: answering<{ readonly id: number }>(),
});
