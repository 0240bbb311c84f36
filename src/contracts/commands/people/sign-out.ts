import { z } from 'zod';
import { answering, command } from '../command.ts';

/** Ends one's own sessions on every tablet but this one. */
export const peopleSignOut = command({
  name: 'people.sign-out',
  may: 'see',
  events: ['signed out everywhere'],
  input: z.object({ from: z.literal('other tablets') }),
  answer: answering<{ readonly ended: number }>(),
});
