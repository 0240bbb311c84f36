import { z } from 'zod';
import { constructionSchema } from '../../construction.ts';
import { answering, command } from '../command.ts';
import { kindId, text } from '../fields.ts';

/** Brings instruments in from a file; an owner the book does not know by name is written with the first of theirs. */
export const shelfImportInstruments = command({
  name: 'shelf.import-instruments',
  may: 'take-in',
  events: ['instruments brought in'],
  input: z.object({
    instruments: z
      .array(
        z.object({
          customer: text(120).min(1),
          kind: kindId,
          maker: text(80),
          model: text(120).min(1),
          year: text(20),
          serial: text(60),
          construction: constructionSchema,
        }),
      )
      .min(1)
      .max(20_000),
  }),
  answer: answering<{ readonly added: number; readonly known: number }>(),
});
