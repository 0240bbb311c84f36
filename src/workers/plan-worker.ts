import { planOfJob, type DecidedLine } from '../core/plan/plan-of-job.ts';
import type { PlanInput } from '../core/plan/plan-input.ts';
import type { Plan, Plans } from '../core/plan/solve/plans.ts';
import type { JobOfPlan } from '../core/plan/solve/problem-from.ts';
import { buzzChance, type BuzzChance, type Spread } from '../core/whatif/buzz-chance.ts';
import type { Hand } from '../core/whatif/clearance-map.ts';
import type { Moves } from '../core/whatif/moves.ts';
import type { NeckModel } from '../core/whatif/neck-model.ts';
import { soundOfPlace, type PlaceSound, type SoundingPlace } from '../core/whatif/sounding.ts';

/** What the page asks of the worker, each with a number its answer comes back under. */
export type Asked =
  | {
      readonly id: number;
      readonly kind: 'plans';
      readonly input: PlanInput;
      readonly job: JobOfPlan;
      readonly decisions: readonly DecidedLine[];
      readonly chosen: Plan['id'] | null;
    }
  | {
      readonly id: number;
      readonly kind: 'chance';
      readonly model: NeckModel;
      readonly moves: Moves;
      readonly hand: Hand;
      readonly spread: Spread;
      readonly ratio: number;
    }
  | { readonly id: number; readonly kind: 'sound'; readonly places: readonly SoundingPlace[] };

export type Answered = { readonly id: number; readonly ms: number } & (
  | { readonly kind: 'plans'; readonly plans: Plans | null; readonly because: string | null }
  | { readonly kind: 'chance'; readonly chance: BuzzChance }
  | { readonly kind: 'sound'; readonly sounds: readonly PlaceSound[] }
);

/** What was heard lately is not made again. */
const KEPT = 24;
const heard = new Map<string, PlaceSound>();

function soundOf(place: SoundingPlace): PlaceSound {
  const key = JSON.stringify(place);
  const sound = heard.get(key) ?? soundOfPlace(place);
  heard.delete(key);
  heard.set(key, sound);
  const [oldest] = heard.keys();
  if (heard.size > KEPT && oldest !== undefined) heard.delete(oldest);
  return sound;
}

function answer(asked: Asked): Answered {
  const from = performance.now();
  if (asked.kind === 'plans') {
    const { plans, problem } = planOfJob(asked.input, asked.job, asked.decisions, asked.chosen);
    const because = 'because' in problem ? problem.because : null;
    return { id: asked.id, kind: 'plans', plans, because, ms: performance.now() - from };
  }
  if (asked.kind === 'sound')
    return {
      id: asked.id,
      kind: 'sound',
      sounds: asked.places.map(soundOf),
      ms: performance.now() - from,
    };
  const { model, moves, hand, spread, ratio } = asked;
  const chance = buzzChance(model, moves, hand, spread, { ratio });
  return { id: asked.id, kind: 'chance', chance, ms: performance.now() - from };
}

self.addEventListener('message', (e: MessageEvent<Asked>) => {
  try {
    self.postMessage(answer(e.data));
  } catch (error) {
    self.postMessage({ id: e.data.id, error: error instanceof Error ? error.message : String(error) });
  }
});
