import type { PlanInput } from '../../core/plan/plan-input.ts';
import { problemFrom, type NotYet } from '../../core/plan/solve/problem-from.ts';
import type { Problem } from '../../core/plan/solve/problem.ts';
import type { Target } from '../../core/targets/target.ts';
import { neckModel, type NeckModel } from '../../core/whatif/neck-model.ts';
import type { LeafJob } from '../job/leaf-props.ts';

/** The plan's input as the house worked it out, put together again from what the page was sent. */
export function planInputOf(job: LeafJob<'plan'>): PlanInput {
  const { plan, readings } = job;
  return {
    construction: job.instrument.construction,
    stations: readings.stations,
    readings: new Map(plan.readings.map((r) => [r.key, r])),
    stale: new Set(plan.stale),
    targets: new Map(
      readings.stations.flatMap((s): [string, Target][] => (s.target ? [[s.key, s.target]] : [])),
    ),
    strings: plan.strings,
    findings: plan.findings,
    settings: plan.settings,
  };
}

/** The problem plans are found from, or why there is none yet. */
export const problemOfView = (job: LeafJob<'plan'>): Problem | NotYet =>
  problemFrom(planInputOf(job), {
    touch: job.touch,
    worth: job.plan.worth,
    catalogue: job.plan.catalogue,
    currency: job.shop.currency,
  });

/** The neck to try things on, or null where its action was not read or it is not strung. */
export function modelOfView(job: LeafJob<'plan'>): NeckModel | null {
  const input = planInputOf(job);
  return input.strings === 'at-pitch' ? neckModel({ ...input, set: undefined }) : null;
}
