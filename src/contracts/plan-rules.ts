import { z } from 'zod';
import { CAUSE_IDS, type CauseId } from '../core/hunt/causes.ts';
import { USUAL_PLAN_RULES as USUAL } from '../core/plan/plan-rules.ts';

const between = (low: number, high: number, usual: number) =>
  z.number().min(low, `At least ${low}`).max(high, `At most ${high}`).default(usual);
/** Money in minor units. */
const money = (usual: number) => z.number().int().min(0).max(100_000_000).default(usual);
const L = USUAL.limits;

const standout = z
  .object({
    low: between(0.5, 6, L.standout.low),
    good: between(0.5, 10, L.standout.good),
    high: between(1, 15, L.standout.high),
  })
  .refine((s) => s.low <= s.good && s.good <= s.high, 'Least, good and most must not fall');

/** How the shop plans, as it is kept: what a plan must keep to, what is weighed against money, what a worth decides. mm, degrees. */
export const planRulesSchema = z.object({
  firstCutShare: between(0.3, 1, USUAL.firstCutShare),
  rodPrior: z
    .object({
      perEighth: between(0.005, 0.3, USUAL.rodPrior.perEighth),
      sd: between(0.001, 0.2, USUAL.rodPrior.sd),
    })
    .default(USUAL.rodPrior),
  rodActionRatio: z.number().min(0.5).max(4).nullable().default(USUAL.rodActionRatio),
  limits: z
    .object({
      standout: standout.default(L.standout),
      breakAngle: between(0, 45, L.breakAngle),
      slotFloor: between(0.5, 8, L.slotFloor),
      fretHeight: between(0.1, 1.5, L.fretHeight),
      newFretHeight: between(0.5, 2, L.newFretHeight),
      rod: between(0.1, 1.5, L.rod),
      clamp: z
        .object({ low: between(0, 0.5, L.clamp.low), high: between(0.1, 2, L.clamp.high) })
        .refine((c) => c.low < c.high, { message: 'Less than the most.', path: ['low'] })
        .default(L.clamp),
      saddleShim: between(0, 2, L.saddleShim),
      tilt: between(0, 15, L.tilt),
      saddleWay: between(0, 3, L.saddleWay),
      nutCompensation: between(0, 4, L.nutCompensation),
      highFret: between(0.005, 0.2, L.highFret),
      planned: between(0, 0.2, L.planned),
    })
    .default(L),
  weights: z
    .object({
      day: money(USUAL.weights.day),
      removed: money(USUAL.weights.removed),
      irreversible: money(USUAL.weights.irreversible),
      close: money(USUAL.weights.close),
    })
    .default(USUAL.weights),
  worth: z
    .object({
      share: between(0.05, 2, USUAL.worth.share),
      total: between(0.05, 3, USUAL.worth.total),
      thinUpTo: money(USUAL.worth.thinUpTo),
    })
    .default(USUAL.worth),
  shape: z
    .object({
      rise: between(0.02, 1, USUAL.shape.rise),
      hump: between(0.02, 1, USUAL.shape.hump),
      twist: between(0.02, 1, USUAL.shape.twist),
    })
    .default(USUAL.shape),
  noises: z
    .object(
      Object.fromEntries(CAUSE_IDS.map((id) => [id, between(0.1, 100, USUAL.noises[id])])) as Record<
        CauseId,
        ReturnType<typeof between>
      >,
    )
    .default(USUAL.noises),
});
