import { z } from 'zod';
import { KIND_NAMES, KINDS } from '../../core/instrument/kinds.ts';
import type { Band } from '../../core/neck/truss-rod.ts';
import { QUANTITIES, type Quantity } from '../../core/readings/quantities.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { KindTargets } from '../../core/instrument/kind-record.ts';
import { KIND_TARGETS } from '../../core/targets/defaults.ts';
import { bandFor } from '../../core/targets/resolve.ts';
import { SHIPPED_TARGETS, type ShopTargets } from '../../core/targets/shop-targets.ts';
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

/** Quantities that are aimed at, with the sides they are aimed at. */
const SIDES: Readonly<Partial<Record<Quantity, readonly Side[]>>> = {
  relief: ['both'],
  action: ['bass', 'treble'],
  'nut-gap': ['both'],
  intonation: ['both'],
  'pickup-height': ['bass', 'treble'],
  'vibrato-float': ['both'],
};

/** No gauge tells less than a micrometre apart, and a hundredth of a cent is nothing. */
const rounded = (n: number): number => Number(n.toFixed(3));

/** A shop's targets as a file; the shipped ones where nothing else is said. */
export const targetsFile = (shop: ShopTargets = SHIPPED_TARGETS): TargetsFile =>
  KINDS.flatMap((kind) =>
    TOUCH_NAMES.flatMap((touch) =>
      QUANTITIES.flatMap((quantity) =>
        (SIDES[quantity] ?? []).flatMap((side) => {
          const band = bandFor(shop.kinds[kind] ?? KIND_TARGETS[kind], touch, quantity, side, shop.touch);
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

type Row = TargetsFile[number];
const FIELDS: Readonly<Record<string, keyof KindTargets>> = {
  'relief:both': 'relief',
  'action:bass': 'actionBass',
  'action:treble': 'actionTreble',
  'nut-gap:both': 'nutGap',
  'intonation:both': 'intonation',
  'pickup-height:bass': 'pickupBass',
  'pickup-height:treble': 'pickupTreble',
  'vibrato-float:both': 'vibratoFloat',
};
const fieldOf = (r: Row): keyof KindTargets | undefined => FIELDS[`${r.quantity}:${r.side}`];
const bandOf = ({ low, aim, high }: Band): Band => ({ low, aim, high });

/** How far a touch moves a band, as a share of its width: the middle of what the file's rows say; null where it says nothing. */
function shareOf(rows: TargetsFile, touch: Touch): number | null {
  const shares = rows
    .filter((r) => r.touch === touch && (r.quantity === 'relief' || r.quantity === 'action'))
    .flatMap((r) => {
      const base = rows.find(
        (b) => b.touch === 'medium' && b.kind === r.kind && b.quantity === r.quantity && b.side === r.side,
      );
      return base && base.high > base.low ? [(r.high - base.high) / (base.high - base.low)] : [];
    })
    .sort((a, b) => a - b);
  const middle = shares[Math.floor(shares.length / 2)];
  return middle === undefined ? null : rounded(middle);
}

/**
 * Reads targets out of a file as {@link targetsFile} writes it. Kinds it does not name keep what `now` says; the medium
 * rows are the bands, the others say how far a touch moves them.
 */
export function readTargetsFile(text: string, now: ShopTargets): Result<ShopTargets, string> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return fail('This file is no JSON.');
  }
  const read = targetsFormat.safeParse(json);
  if (!read.success) {
    const [issue] = read.error.issues;
    return fail(`${issue?.path.join('.') || 'The file'}: ${issue?.message ?? 'cannot be read'}.`);
  }
  const kinds: Record<string, KindTargets> = { ...now.kinds };
  for (const row of read.data.filter((r) => r.touch === 'medium')) {
    const field = fieldOf(row);
    if (!field) return fail(`${row.quantity}, ${row.side}: nothing is aimed at there.`);
    kinds[row.kind] = { ...(kinds[row.kind] ?? KIND_TARGETS[row.kind]), [field]: bandOf(row) };
  }
  return ok({
    ...now,
    kinds,
    touch: {
      light: shareOf(read.data, 'light') ?? now.touch.light,
      medium: 0,
      heavy: shareOf(read.data, 'heavy') ?? now.touch.heavy,
    },
  });
}

/** The published JSON Schema of the format. */
export const targetsSchema = (): JsonSchema => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  description: `Bands in mm or cents for ${KINDS.map((k) => KIND_NAMES[k].toLowerCase()).join(', ')}.`,
  ...jsonSchema(targetsFormat),
});
