import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import { OPERATIONS } from '../../src/core/catalogue/operations.ts';
import { plansFor } from '../../src/core/plan/solve/plans.ts';
import { problemFrom } from '../../src/core/plan/solve/problem-from.ts';
import type { Problem } from '../../src/core/plan/solve/problem.ts';
import { USUAL_SETTINGS, type PlanInput } from '../../src/core/plan/plan-input.ts';
import { stationsOf } from '../../src/core/readings/stations.ts';
import { resolveTarget } from '../../src/core/targets/resolve.ts';
import type { Target } from '../../src/core/targets/target.ts';
import { buzzChance, spreadOf } from '../../src/core/whatif/buzz-chance.ts';
import { handFor, mapOfNeck } from '../../src/core/whatif/clearance-map.ts';
import { consequences } from '../../src/core/whatif/consequences.ts';
import { NO_MOVES } from '../../src/core/whatif/moves.ts';
import { median, rowOf, type Row } from './row.ts';

const RUNS = 20;
const WARM = 5;

function times(f: () => unknown): number[] {
  const all: number[] = [];
  for (let i = 0; i < WARM + RUNS; i++) {
    const began = performance.now();
    f();
    if (i >= WARM) all.push(performance.now() - began);
  }
  return all.sort((a, b) => a - b);
}

/** A steel-string on which everything is out: bent, uneven, high, hard at the nut and out of tune. */
function everythingOut(): Problem {
  const construction = usualConstruction('steel-acoustic');
  const stations = stationsOf(construction);
  const targets = new Map<string, Target>();
  const readings: [string, PlanInput['readings'] extends ReadonlyMap<string, infer R> ? R : never][] = [];
  const add = (
    quantity: (typeof stations)[number]['quantity'],
    string: number,
    fret: number,
    value: number,
  ) => {
    const key = `${quantity}:${string}:${fret}`;
    readings.push([
      key,
      { key, quantity, string, fret, value, round: 'as-found', takenAt: 0, notRepresentative: null },
    ]);
  };
  for (const s of stations) {
    const target = resolveTarget(construction, 'medium', [], s);
    if (target) targets.set(s.key, target);
    const value = {
      relief: 0.4,
      action: 3,
      'nut-gap': s.string % 2 ? 0.3 : 0.01,
      intonation: 6,
      'saddle-standout': 3,
    };
    add(s.quantity, s.string, s.fret, (value as Readonly<Record<string, number>>)[s.quantity] ?? 1);
  }
  for (let f = 1; f <= construction.frets; f++)
    for (const s of [3, 2, 1]) add('fret-height', s, f, 0.75 + 0.06 * ((f * 7 + s) % 5));
  const made = problemFrom(
    {
      construction,
      stations,
      readings: new Map(readings),
      stale: new Set(),
      targets,
      strings: 'at-pitch',
      findings: [],
      settings: USUAL_SETTINGS,
    },
    { touch: 'medium', worth: null, catalogue: OPERATIONS, currency: '¤' },
  );
  if ('because' in made) throw new Error(made.because);
  return made;
}

/** The solver on the whole catalogue, and 2,000 necks drawn at random, beside one neck worked out once. */
export function planRows(): Row[] {
  const problem = everythingOut();
  const { model } = problem;
  const hand = handFor(model, 'medium');
  const spread = spreadOf(new Map());
  const one = times(() => mapOfNeck(model, consequences(model, NO_MOVES), hand));
  return [
    rowOf(
      'plans.full-catalogue',
      median(1500, 60),
      'one neck with its clearance',
      one,
      times(() => plansFor(problem)),
    ),
    rowOf(
      'buzz-chance.2000-necks',
      median(2500, 150),
      'one neck with its clearance',
      one,
      times(() => buzzChance(model, NO_MOVES, hand, spread)),
    ),
  ];
}
