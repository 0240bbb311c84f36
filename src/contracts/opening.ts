import { z } from 'zod';
import { WEEK } from '../core/days/opening.ts';

const DAY_MINUTES = 24 * 60;
const minutes = z.number().int().min(0).max(DAY_MINUTES);
const spans = z
  .array(z.object({ from: minutes, to: minutes }))
  .max(6, 'At most six stretches a day')
  .readonly()
  .refine((all) => all.every((s, i) => s.from < s.to && s.from >= (all[i - 1]?.to ?? 0)), {
    message: 'Stretches follow each other',
  });

/** The hours of a week, each day’s stretches in their order. */
export const weekHoursSchema = z.object({
  monday: spans,
  tuesday: spans,
  wednesday: spans,
  thursday: spans,
  friday: spans,
  saturday: spans,
  sunday: spans,
} satisfies Record<(typeof WEEK)[number], typeof spans>);

const day = z.iso.date('A day');

/** When the shop is open, as it is kept. */
export const openingSchema = z.object({
  hours: weekHoursSchema.nullable().default(null),
  closed: z
    .array(
      z
        .object({ from: day, to: day, why: z.string().trim().max(80, 'At most 80 characters') })
        .refine((c) => c.from <= c.to, { message: 'The last day comes before the first', path: ['to'] }),
    )
    .max(100, 'At most 100')
    .readonly()
    .default([]),
});
