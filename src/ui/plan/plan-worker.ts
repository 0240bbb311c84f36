import { plansFor, type Plans } from '../../core/plan/solve/plans.ts';
import type { Problem } from '../../core/plan/solve/problem.ts';
import { buzzChance, type BuzzChance, type Spread } from '../../core/whatif/buzz-chance.ts';
import type { Hand } from '../../core/whatif/clearance-map.ts';
import type { Moves } from '../../core/whatif/moves.ts';
import type { NeckModel } from '../../core/whatif/neck-model.ts';

/** What the page asks of the worker, each with a number its answer comes back under. */
export type Asked =
  | { readonly id: number; readonly kind: 'plans'; readonly problem: Problem }
  | {
      readonly id: number;
      readonly kind: 'chance';
      readonly model: NeckModel;
      readonly moves: Moves;
      readonly hand: Hand;
      readonly spread: Spread;
      readonly ratio: number;
    };

export type Answered = { readonly id: number; readonly ms: number } & (
  { readonly kind: 'plans'; readonly plans: Plans } | { readonly kind: 'chance'; readonly chance: BuzzChance }
);

function answer(asked: Asked): Answered {
  const from = performance.now();
  if (asked.kind === 'plans') {
    const plans = plansFor(asked.problem);
    return { id: asked.id, kind: 'plans', plans, ms: performance.now() - from };
  }
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
