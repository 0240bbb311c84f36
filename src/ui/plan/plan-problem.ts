import type { PlanInput } from '../../core/plan/plan-input.ts';
import { playedWith, type Target } from '../../core/targets/target.ts';
import { neckModel, type NeckModel } from '../../core/whatif/neck-model.ts';
import type { LeafJob } from '../job/leaf-props.ts';

/** The plan's input as the house worked it out, put together again from what the page was sent. */
export function planInputOf(job: LeafJob<'plan'>): PlanInput {
  const { plan, readings } = job;
  const stations = [...readings.stations, ...plan.further];
  return {
    construction: job.instrument.construction,
    stations,
    readings: new Map(plan.readings.map((r) => [r.key, r])),
    stale: new Set(plan.stale),
    targets: new Map(stations.flatMap((s): [string, Target][] => (s.target ? [[s.key, s.target]] : []))),
    strings: plan.strings,
    findings: plan.findings,
    unplanned: plan.unplanned,
    settings: plan.settings,
  };
}

/** What the plans of a job are found from, put together again from what the page was sent. */
export const plansQuestion = (job: LeafJob<'plan'>) => ({
  kind: 'plans' as const,
  input: planInputOf(job),
  job: {
    touch: playedWith(job.touch),
    heard: job.plan.heard,
    worth: job.plan.worth,
    history: job.plan.history,
    catalogue: job.plan.catalogue,
    currency: job.shop.currency,
    rod: job.plan.rod,
    turns: job.plan.turns,
    questions: job.plan.questions,
  },
  decisions: job.plan.decided,
  chosen: job.plan.choice?.plan ?? null,
});

/** The neck to try things on, or null where its action was not read or it is not strung. */
export function modelOfView(job: LeafJob<'plan'>): NeckModel | null {
  const input = planInputOf(job);
  return input.strings === 'at-pitch' ? neckModel({ ...input, set: undefined }) : null;
}
