import { z } from 'zod';

const line = (max: number) => z.string().trim().max(max, `At most ${max} characters`);

/** What the shop is called and where it is, its money, its tax and how it shows things: as it is kept. */
export const shopInfoSchema = z.object({
  name: line(120).min(1, 'What is the shop called?'),
  /** lines of an address, one a line */
  address: line(300).default(''),
  phone: line(60).default(''),
  email: z.union([z.literal(''), z.email('An e-mail address')]).default(''),
  web: line(120).default(''),
  /** words at the foot of papers */
  foot: line(400).default(''),
  /** the sign money is written with */
  currency: line(4).min(1, 'The sign of your money'),
  /** 0.2 for a fifth */
  taxRate: z.number().min(0, 'From 0 to 100').max(1, 'From 0 to 100'),
  heights: z.enum(['64ths', 'thou', 'mm']),
  paper: z.enum(['A4', 'LETTER']).default('A4'),
});
