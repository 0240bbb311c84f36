import { z } from 'zod';
import { VIEWS } from '../../../core/instrument/outline.ts';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/** Marks damage that is already there: a place on one of the instrument's drawings, and words. */
export const custodyMark = command({
  name: 'custody.mark',
  may: 'take-in',
  events: ['damage marked'],
  input: z.object({
    jobId: id,
    view: z.enum(VIEWS),
    x: z.number().min(0).max(1),
    y: z.number().min(0).max(1),
    words: text(400),
  }),
  answer: answering<{ readonly markId: number }>(),
});
