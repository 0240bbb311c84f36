import { z } from 'zod';
import { answering, command } from '../command.ts';
import { newPin } from './new-pin.ts';

/** Changes one's own PIN, by the one before. Other tablets are signed out. */
export const peopleOwnPin = command({
  name: 'people.own-pin',
  may: 'see',
  events: ['own PIN changed'],
  input: z.object({ now: z.string().min(1, 'The one you have now').max(12), pin: newPin }),
  answer: answering<{ readonly id: number }>(),
});
