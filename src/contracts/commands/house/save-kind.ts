import { z } from 'zod';
import { constructionSchema } from '../../construction.ts';
import { answering, command } from '../command.ts';
import { kindId, text, version } from '../fields.ts';

/** Keeps a kind of the shop's own: a name, the shipped kind whose rules it goes by, and what is usual for it. */
export const houseSaveKind = command({
  name: 'house.save-kind',
  may: 'house',
  events: ['kind saved'],
  input: z.object({
    id: z.union([z.literal(''), kindId]),
    version,
    name: text(60).min(1, 'What is it called?'),
    construction: constructionSchema,
  }),
  answer: answering<{ readonly id: string }>(),
});
