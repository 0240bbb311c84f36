import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text } from '../fields.ts';

/** So many hours are taken in at once: two years and a quarter. */
export const MOST_AIR_HOURS = 20_000;

/** Brings in what a logger of temperature and humidity wrote down; hours that are known already stay as they are. */
export const houseBringAir = command({
  name: 'house.bring-air',
  may: 'house',
  events: ['air brought in'],
  input: z.object({
    name: text(120).min(1, 'What is the file called?'),
    hours: z
      .array(
        z.tuple([
          /** hours since 1970 */
          z.int().min(0).max(1_000_000),
          z.number().min(0).max(100),
          z.number().min(-40).max(60).nullable(),
        ]),
      )
      .min(1)
      .max(MOST_AIR_HOURS),
  }),
  answer: answering<{ readonly added: number; readonly known: number }>(),
});

/** Takes a logger's file out again, with every hour it brought. */
export const houseTakeBackAir = command({
  name: 'house.take-back-air',
  may: 'house',
  events: ['air taken out'],
  input: z.object({ logId: id }),
  answer: answering<{ readonly logId: number }>(),
});
