import { z } from 'zod';
import { DATE_FORMS } from '../core/days/say-days.ts';
import { isZone } from '../core/days/zone.ts';
import { plainTax } from '../core/money/tax.ts';

const line = (max: number) => z.string().trim().max(max, `At most ${max} characters`);
const amount = z.number().int().min(0).max(100_000_000);
const rate = z.number().min(0, 'From 0 to 100').max(1, 'From 0 to 100');

/** How the shop takes tax, as it is kept. */
export const taxingSchema = z
  .object({
    rates: z
      .array(
        z.object({
          id: z.string().regex(/^[a-z0-9-]{1,20}$/),
          name: line(40).min(1, 'What is this rate called?'),
          rate,
        }),
      )
      .min(1, 'At least one rate, of 0 where there is no tax')
      .max(8, 'At most 8 rates')
      .readonly()
      .refine((all) => new Set(all.map((r) => r.id)).size === all.length, 'Each rate once'),
    labour: z.string().max(20),
    parts: z.string().max(20),
    included: z.boolean(),
    roundTo: z.number().int().min(1).max(10_000),
  })
  .refine(({ rates, labour, parts }) => [labour, parts].every((id) => rates.some((r) => r.id === id)), {
    path: ['labour'],
    message: 'Labour and parts have one of the rates',
  });

/** Earlier releases kept one rate on top of prices. */
const withOneRate = (kept: unknown): unknown => {
  if (typeof kept !== 'object' || kept === null || !('taxRate' in kept) || 'tax' in kept) return kept;
  const { taxRate, ...rest } = kept;
  return { ...rest, tax: plainTax(Number(taxRate)) };
};

/** What the shop is called and where it is, its money, its tax and how it shows things: as it is kept. */
export const shopInfoSchema = z.preprocess(
  withOneRate,
  z.object({
    name: line(120).min(1, 'What is the shop called?'),
    /** lines of an address, one a line */
    address: line(300).default(''),
    phone: line(60).default(''),
    email: z.union([z.literal(''), z.email('An e-mail address')]).default(''),
    web: line(120).default(''),
    /** words at the foot of papers */
    foot: line(400).default(''),
    /** how money is written: a code after ISO 4217, and whose number form; a sign, from earlier releases */
    currency: z
      .string()
      .trim()
      .regex(/^(?:[A-Z]{3}(?: [a-z]{2}-[A-Z]{2})?|\S{1,4})$/, 'A currency’s three letters, like EUR'),
    tax: taxingSchema,
    hourly: amount.nullable().default(null),
    minimum: amount.default(0),
    firstNumber: z.number().int().min(1).max(1_000_000).default(401),
    zone: z.string().max(60).refine(isZone, 'A time zone, like Pacific/Auckland').default('UTC'),
    dates: z.enum(DATE_FORMS).default('day-month'),
    firstWeekday: z.enum(['monday', 'sunday', 'saturday']).default('monday'),
    heights: z.enum(['64ths', 'thou', 'mm']),
    paper: z.enum(['A4', 'LETTER']).default('A4'),
  }),
);
