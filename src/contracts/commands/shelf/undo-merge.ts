import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id } from '../fields.ts';

/** Takes two apart again: what the joining moved goes back, what came since stays with the one that was kept. */
export const shelfUndoMerge = command({
  name: 'shelf.undo-merge',
  may: 'take-in',
  events: ['customers taken apart', 'instruments taken apart'],
  input: z.object({ mergeId: id }),
  answer: answering<{ readonly mergeId: number }>(),
});
