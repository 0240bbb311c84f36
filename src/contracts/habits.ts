import { z } from 'zod';
import { USUAL_FEELINGS } from '../core/readings/entry-forms.ts';
import { METHODS, USUAL_METHODS } from '../core/readings/methods.ts';
import { QUANTITIES } from '../core/readings/quantities.ts';
import { WORKING_ORDER } from '../core/readings/stations.ts';
import { LENGTH_UNITS } from '../core/units/length-units.ts';

type Keys<T> = [keyof T & string, ...(keyof T & string)[]];
const keysOf = <T extends object>(of: T) => Object.keys(of) as Keys<T>;

/** The methods of a round, as they cross a boundary. */
export const methodsSchema = z.object({
  relief: z.enum(keysOf(METHODS.relief)),
  action: z.enum(keysOf(METHODS.action)),
  'nut-gap': z.enum(keysOf(METHODS['nut-gap'])),
  intonation: z.enum(keysOf(METHODS.intonation)),
});

/** How the shop reads: methods, working order, units and gauges by quantity, and what a feeling stands for. */
export const habitsSchema = z.object({
  methods: methodsSchema.default(USUAL_METHODS),
  order: z
    .array(z.enum(WORKING_ORDER))
    .length(WORKING_ORDER.length)
    .refine((o) => new Set(o).size === o.length, 'Each group stands once')
    .default([...WORKING_ORDER]),
  firstString: z.enum(['lowest', 'highest']).default('lowest'),
  units: z.partialRecord(z.enum(QUANTITIES), z.enum(LENGTH_UNITS)).default({}),
  gauges: z.partialRecord(z.enum(QUANTITIES), z.number().int().positive()).default({}),
  feelings: z
    .array(
      z
        .object({
          says: z.string().min(1).max(30),
          low: z.number().min(0).max(2),
          high: z.number().min(0).max(2),
        })
        .refine((f) => f.low <= f.high, 'A feeling goes from less to more'),
    )
    .max(8)
    .default([...USUAL_FEELINGS]),
});

export type ShopHabits = z.infer<typeof habitsSchema>;
