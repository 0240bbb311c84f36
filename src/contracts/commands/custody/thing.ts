import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

/** Corrects what came with an instrument: something forgotten, called by its right name, or never there. */
export const custodyThing = command({
  name: 'custody.thing',
  may: 'take-in',
  events: ['thing corrected'],
  input: z.object({
    jobId: id,
    /** the thing that is corrected; null for one that was forgotten */
    item: z.union([z.null(), z.object({ id, version })]),
    name: text(120).min(1, 'What is it?'),
    state: text(200),
    /** it was never there */
    removed: z.boolean(),
    why: text(200).min(1, 'Why is it corrected?'),
  }),
  answer: answering<{ readonly itemId: number }>(),
});
