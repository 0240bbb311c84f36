import { z } from 'zod';
import { KIND_NAMES, KINDS } from '../../core/instrument/kinds.ts';
import { QUANTITIES, type Quantity } from '../../core/readings/quantities.ts';
import { KIND_TARGETS } from '../../core/targets/defaults.ts';
import { bandFor } from '../../core/targets/resolve.ts';
import { TOUCHES, type Side, type Touch } from '../../core/targets/target.ts';
import { jsonSchema, type JsonSchema } from '../sums/openapi.ts';

const TOUCH_NAMES = Object.keys(TOUCHES) as [Touch, ...Touch[]];

/** Targets as they go out: one band for each kind, touch, quantity and side. */
export const targetsFormat = z
  .array(
    z
      .strictObject({
        kind: z.enum(KINDS),
        touch: z.enum(TOUCH_NAMES),
        quantity: z.enum(QUANTITIES),
        side: z
          .enum(['bass', 'treble', 'both'])
          .meta({ description: 'which end of the board; both where it is one' }),
        unit: z.enum(['mm', 'cents']),
        low: z.number(),
        aim: z.number(),
        high: z.number(),
      })
      .refine((b) => b.low <= b.aim && b.aim <= b.high, 'low, aim and high must not fall'),
  )
  .meta({ title: 'Rubrica targets' });

export type TargetsFile = z.output<typeof targetsFormat>;

const SIDES: Readonly<Record<Quantity, readonly Side[]>> = {
  relief: ['both'],
  action: ['bass', 'treble'],
  'nut-gap': ['both'],
  intonation: ['both'],
  'saddle-standout': ['both'],
};

/** No gauge tells less than a micrometre apart, and a hundredth of a cent is nothing. */
const rounded = (n: number): number => Number(n.toFixed(3));

/** The targets that ship, every one a setting of the shop. */
export const shippedTargets = (): TargetsFile =>
  KINDS.flatMap((kind) =>
    TOUCH_NAMES.flatMap((touch) =>
      QUANTITIES.flatMap((quantity) =>
        SIDES[quantity].flatMap((side) => {
          const band = bandFor(KIND_TARGETS[kind], touch, quantity, side);
          if (!band) return [];
          const [low, aim, high] = [band.low, band.aim, band.high].map(rounded) as [number, number, number];
          return [
            {
              kind,
              touch,
              quantity,
              side,
              unit: quantity === 'intonation' ? 'cents' : 'mm',
              low,
              aim,
              high,
            } as const,
          ];
        }),
      ),
    ),
  );

/** The published JSON Schema of the format. */
export const targetsSchema = (): JsonSchema => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  description: `Bands in mm or cents for ${KINDS.map((k) => KIND_NAMES[k].toLowerCase()).join(', ')}.`,
  ...jsonSchema(targetsFormat),
});
