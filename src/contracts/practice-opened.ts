import { z } from 'zod';
import { FAULT_GROUPS, type FaultGroup } from '../core/practice/faults/fault.ts';
import type { Opened } from '../core/practice/opened.ts';
import { QUANTITIES } from '../core/readings/quantities.ts';

const spent = z.object({
  minutes: z.number(),
  price: z.number(),
  taken: z.object({ nut: z.number(), saddle: z.number(), frets: z.number() }),
  work: z.array(z.object({ name: z.string(), times: z.number() })),
});

const told = z.object({ quantity: z.enum(QUANTITIES), value: z.number(), should: z.number() }).nullable();

/** What came out when a practice instrument was opened, as it is kept. Lengths mm, money minor units. */
export const practiceOpened: z.ZodType<Opened> = z.object({
  score: z.number(),
  parts: z.array(z.object({ name: z.string(), got: z.number(), of: z.number(), says: z.string() })),
  faults: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      group: z.enum(Object.keys(FAULT_GROUPS) as [FaultGroup, ...FaultGroup[]]),
      named: z.boolean(),
      cured: z.boolean(),
      explains: z.string(),
      tells: z.array(z.object({ says: z.string(), looked: z.boolean(), told })),
    }),
  ),
  wrong: z.array(z.string()),
  left: z.array(z.string()),
  readings: z.array(
    z.object({
      station: z.string(),
      label: z.string(),
      read: z.number(),
      truth: z.number(),
      atPitch: z.boolean(),
      off: z.boolean(),
    }),
  ),
  enough: spent,
  spent,
});
