import { z } from 'zod';
import { answering, command } from '../command.ts';
import { howLongAgo, id, lineOrNone, text } from '../fields.ts';

/** Writes an accident down when it happens, with its remedy. The customer's sheet tells it. */
export const workAccident = command({
  name: 'work.accident',
  may: 'hand-over',
  events: ['accident recorded'],
  offline: true,
  input: z.object({
    jobId: id,
    lineId: lineOrNone,
    happened: text(1000).min(1, 'What happened?'),
    remedy: text(1000),
    ago: howLongAgo,
  }),
  answer: answering<{ readonly accidentId: number }>(),
});
