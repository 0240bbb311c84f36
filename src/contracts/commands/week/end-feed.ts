import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Ends the link of one's own calendar. */
export const weekEndFeed = command({
  name: 'week.end-feed',
  may: 'see',
  events: ['calendar link ended'],
  /** one's own number: nobody makes or ends another's */
  input: z.object({ personId: id }),
  answer: answering<{ readonly ended: boolean }>(),
});
