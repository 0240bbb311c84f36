import { z } from 'zod';
import { constructionSchema } from '../../construction.ts';
import { answering, command } from '../command.ts';
import { id, kindId, text, version } from '../fields.ts';

/**
 * Changes what an instrument is: its names, a date found inside with its place, its construction. Open jobs are asked and
 * read by the new facts at once; what was signed keeps what it was signed for.
 */
export const shelfChangeInstrument = command({
  name: 'shelf.change-instrument',
  may: 'take-in',
  events: ['instrument changed'],
  input: z.object({
    instrumentId: id,
    version,
    maker: text(80),
    model: text(120).min(1, 'What is it called? “no name” will do'),
    year: text(20),
    yearFrom: text(120),
    serial: text(60),
    kind: kindId,
    construction: constructionSchema,
  }),
  answer: answering<{ readonly version: number }>(),
});
