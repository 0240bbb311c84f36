import { z } from 'zod';

const day = z.iso.date('A day');
/** Minutes after midnight. */
const minute = z.coerce.number().int().min(0).max(1440);
const whole = z.coerce.number().int();

/** What may be tried beside the plan, as an address asks for it. */
export const weekTry = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('away'), worker: whole.min(1), from: day, to: day }),
  z
    .object({ kind: z.literal('longer'), worker: whole.min(1), day, from: minute, to: minute })
    .refine((a) => a.from < a.to, { message: 'The end comes before the beginning', path: ['to'] }),
  z.object({ kind: z.literal('out'), spot: z.string().max(40), from: day, to: day }),
  z.object({
    kind: z.literal('rush'),
    minutes: whole.min(15, 'From 15 minutes').max(3000, 'At most 3000 minutes'),
    skill: whole.min(0).max(2),
    day,
  }),
]);

export type WeekTry = z.infer<typeof weekTry>;
