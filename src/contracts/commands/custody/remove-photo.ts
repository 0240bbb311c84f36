import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Takes a photo away from the job: nobody is shown it any more. */
export const custodyRemovePhoto = command({
  name: 'custody.remove-photo',
  may: 'take-in',
  events: ['photo taken away'],
  input: z.object({ photoId: id }),
  answer: answering<{ readonly photoId: number }>(),
});
