import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Makes the link of one's own calendar: told once; one made before opens nothing any more. */
export const weekFeed = command({
  name: 'week.feed',
  may: 'see',
  events: ['calendar link made'],
  /** one's own number: nobody makes or ends another's */
  input: z.object({ personId: id }),
  answer: answering<{ readonly token: string }>(),
});
