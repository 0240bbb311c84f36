import { z } from 'zod';
import { ASSUMED_FACTS } from '../core/instrument/assumable.ts';
import { FACTS } from '../core/instrument/construction-facts.ts';
import { middleScale } from '../core/instrument/scales.ts';
import { KINDS } from '../core/instrument/kinds.ts';

const choice = <F extends keyof typeof FACTS>(fact: F) =>
  z.enum(
    Object.keys(FACTS[fact]) as [keyof (typeof FACTS)[F] & string, ...(keyof (typeof FACTS)[F] & string)[]],
  );

const mm = (low: number, high: number, what: string) =>
  z
    .number()
    .min(low, `${what} under ${low} mm is not possible`)
    .max(high, `${what} over ${high} mm is not possible`);

const radius = mm(100, 1500, 'A radius');

const scale = mm(200, 1200, 'A scale');

/** The construction facts one by one, lengths in mm. */
export const constructionFields = z.object({
  kind: z.enum(KINDS),
  leftHanded: z.boolean(),
  scale,
  fan: z.object({ bass: scale, treble: scale, straight: z.number().int().min(0).max(24) }).optional(),
  compensation: mm(0, 20, 'Compensation'),
  frets: z.number().int().min(10).max(36),
  bodyFret: z.number().int().min(7).max(30),
  perCourse: z.union([z.literal(1), z.literal(2)]),
  strings: z
    .array(
      z.object({
        note: z.string().regex(/^[A-G][#b]?\d$/, 'Write notes like E2'),
        gauge: mm(0.1, 4, 'A gauge'),
        wound: z.boolean(),
      }),
    )
    .min(3)
    .max(14),
  joint: choice('joint'),
  rod: choice('rod'),
  rodNut: choice('rodNut'),
  bridge: choice('bridge'),
  vibrato: choice('vibrato'),
  nut: choice('nut'),
  electronics: choice('electronics'),
  finish: choice('finish'),
  fingerboard: choice('fingerboard'),
  radius: z
    .union([
      z.object({ kind: z.literal('flat') }),
      z.object({ kind: z.literal('single'), at: radius }),
      z.object({ kind: z.literal('compound'), nut: radius, end: radius }),
    ])
    .optional(),
  rodKey: z.string().trim().max(20).optional(),
  springs: z.number().int().min(0).max(6).optional(),
  /** what is taken as usual for the kind, since nobody has looked yet */
  assumed: z.array(z.enum(ASSUMED_FACTS)).readonly().optional(),
});

/** The construction facts of an instrument, lengths in mm. */
export const constructionSchema = constructionFields.refine(
  ({ scale, fan }) => !fan || (fan.bass > fan.treble && Math.abs(scale - middleScale(fan)) < 0.01),
  {
    message: 'Of two scales the bass side’s is the longer, and the scale is the middle of both',
    path: ['fan'],
  },
);
