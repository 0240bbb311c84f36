import { z } from 'zod';
import { STATIONS, type WorkPlace } from '../core/catalogue/operation-record.ts';
import { USUAL_WEIGHTS } from '../core/schedule/shop-work.ts';

/** The kinds of place the shop may have few of; benches are counted from its places. */
export const FEW_PLACES = (Object.keys(STATIONS) as WorkPlace[]).filter((k) => k !== 'bench');

const count = z.number().int().min(0, 'None or more').max(20, 'At most 20');
const weight = z.number().min(0, 'Nothing or more').max(100_000, 'At most 100 000');

/** Of what the shop has few, when some of it cannot be used, and what counts how much in a plan: as it is kept. */
export const weekRulesSchema = z.object({
  places: z
    .object({
      'neck-jig': count.default(1),
      clamps: count.default(2),
      electronics: count.default(1),
      sanding: count.default(1),
      finish: count.default(1),
    })
    .prefault({}),
  out: z
    .array(
      z
        .object({
          place: z.enum(FEW_PLACES as [WorkPlace, ...WorkPlace[]]),
          from: z.iso.date('A day'),
          to: z.iso.date('A day'),
          why: z.string().trim().max(80, 'At most 80 characters'),
        })
        .refine((o) => o.from <= o.to, { message: 'The last day comes before the first', path: ['to'] }),
    )
    .max(30, 'At most 30')
    .readonly()
    .default([]),
  weights: z
    .object({
      hard: weight.default(USUAL_WEIGHTS.hard),
      wished: weight.default(USUAL_WEIGHTS.wished),
      promised: weight.default(USUAL_WEIGHTS.promised),
      moved: weight.default(USUAL_WEIGHTS.moved),
      stay: weight.default(USUAL_WEIGHTS.stay),
      hands: weight.default(USUAL_WEIGHTS.hands),
    })
    .prefault({}),
});

export type WeekRules = z.infer<typeof weekRulesSchema>;
