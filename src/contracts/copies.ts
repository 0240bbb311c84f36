import { z } from 'zod';
import { USUAL_COPIES } from '../core/keep/kept-copies.ts';

const many = z.number().int().min(0, 'None, or more').max(400, 'At most 400');

/** How a shop makes copies of its record, as it crosses a boundary. */
export const copiesSchema = z.object({
  /** from when on in the night a copy is made, the shop's clock */
  at: z
    .string()
    .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time such as 02:30')
    .default('02:30'),
  daily: many.default(USUAL_COPIES.daily),
  weekly: many.default(USUAL_COPIES.weekly),
  monthly: many.default(USUAL_COPIES.monthly),
});
export type CopyHabits = z.infer<typeof copiesSchema>;
