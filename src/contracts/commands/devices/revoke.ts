import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Sends a tablet away: nobody is signed in on it any more, from now on. */
export const devicesRevoke = command({
  name: 'devices.revoke',
  may: 'house',
  events: ['device sent away'],
  input: z.object({ id }),
  answer: answering<{ readonly id: number }>(),
});
