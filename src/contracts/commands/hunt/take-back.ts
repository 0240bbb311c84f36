import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';

/** Takes one try of a hunt back; the history keeps it. */
export const huntTakeBack = command({
  name: 'hunt.take-back',
  may: 'measure',
  events: ['try taken back'],
  concerns: 'own leaves',
  input: z.object({ jobId: id, version, entry: id }),
  answer: answering<{ readonly version: number }>(),
});
