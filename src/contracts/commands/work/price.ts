import { z } from 'zod';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

const amount = z.number().int().min(0, 'Not less than nothing').max(100_000_000);
const rate = z.union([z.null(), z.string().max(20)]);

/** Gives a line of the order its own price, its own rates of tax, and the reason for it. */
export const workPrice = command({
  name: 'work.price',
  may: 'approve',
  events: ['price changed'],
  input: z.object({
    lineId: id,
    version,
    priceMinor: amount,
    partsMinor: amount,
    /** rates of tax of labour and parts; null for the shop’s usual ones */
    tax: rate,
    partsTax: rate,
    reason: text(200).min(1, 'Why has it its own price?'),
  }),
  answer: answering<{ readonly version: number; readonly approval: 'asked' | 'yes' | 'no' }>(),
});
