import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, version } from '../fields.ts';

/** Takes back a cut that was logged by mistake; the log keeps that it was. */
export const workTakeBackCut = command({
  name: 'work.take-back-cut',
  may: 'work',
  events: ['cut taken back'],
  concerns: 'own leaves',
  input: z.object({ cutId: id, version }),
  answer: answering<{ readonly cutId: number }>(),
});
