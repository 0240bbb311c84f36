import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';
import { newPin } from './new-pin.ts';

/** Gives somebody another PIN; they are signed out wherever they are. */
export const peopleSetPin = command({
  name: 'people.set-pin',
  may: 'house',
  events: ['PIN set'],
  input: z.object({ id, pin: newPin }),
  answer: answering<{ readonly id: number }>(),
});
