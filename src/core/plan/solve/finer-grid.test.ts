/** Whether anything lighter than the plan that is enough is found by trying every size on a fine grid. */
import fc from 'fast-check';
import { fretPosition } from '../../neck/fret-position.ts';
import { verdict } from '../../targets/target.ts';
import { OPERATIONS } from '../../catalogue/operations.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { closure, costOf, weigh } from './cost.ts';
import { plansFor } from './plans.ts';
import { problem } from './problem-for-tests.ts';
import type { Problem } from './problem.ts';
import { runs } from '../../../runs-for-tests.ts';

const SMALL: readonly OperationId[] = ['rod', 'saddle-lower', 'play-test', 'strings-off'];
const [RELIEF_STEP, CUT_STEP, ROD_STEP] = [0.01, 0.02, 0.04];

interface Found {
  readonly weight: number;
  readonly relief: number;
  readonly cuts: readonly [number, number];
}

const isIn = (p: Problem, key: string, value: number, tells: number): boolean => {
  const t = p.targets.get(key);
  const says = t ? verdict(value, t, tells) : 'in';
  return says === 'in' || says === 'edge';
};

const weightOf = (p: Problem, ids: readonly OperationId[], deepest: number): number => {
  const left = Math.max(0.1, (p.model.standout ?? 0) - p.limits.standout.low);
  return weigh(p, costOf(p, closure(p, new Set(ids))), Math.min(1, deepest / left));
};

/** The lightest that leaves all in its band, every relief and both cuts tried; null where nothing does. */
function finest(p: Problem): Found | null {
  const c = p.model.construction;
  const share = fretPosition(c.scale, 12) / (c.scale + c.compensation);
  const [bass, treble] = [p.model.action[0] ?? 0, p.model.action[5] ?? 0];
  const room = (p.model.standout ?? 0) - p.limits.standout.low;
  const { aim } = p.targets.get('relief:0:7') ?? { aim: 0 };
  const goals = [p.model.relief];
  // As far on both sides of the aim as a rod is looked at in this band.
  for (let at = aim - ROD_STEP; at <= aim + ROD_STEP + 1e-9; at += RELIEF_STEP)
    if (Math.abs(at - p.model.relief) <= p.limits.rod) goals.push(at);
  const cuts: number[] = [];
  for (let by = 0; by <= room + 1e-9; by += CUT_STEP) cuts.push(by);
  let best: Found | null = null;
  for (const relief of goals) {
    const turned = relief !== p.model.relief;
    if (!isIn(p, 'relief:0:7', relief, 0.005)) continue;
    const lift = p.ratio * (relief - p.model.relief);
    const fits = (key: string, action: number) =>
      cuts.find((by) => isIn(p, key, action + lift - by * share, 0));
    // The shallowest cut of each side that brings it in is the lightest; sides do not touch each other.
    const [b, t] = [fits('action:6:12', bass), fits('action:1:12', treble)];
    if (b === undefined || t === undefined) continue;
    const ids: OperationId[] = [
      ...(turned ? ['rod' as const] : []),
      ...(b + t > 0 ? ['saddle-lower' as const] : []),
    ];
    const weight = weightOf(p, ids, Math.max(b, t));
    if (best === null || weight < best.weight) best = { weight, relief, cuts: [b, t] };
  }
  return best;
}

test('50 small jobs: nothing lighter exists beyond what is kept in reserve at the near end of a band', () => {
  let compared = 0;
  fc.assert(
    fc.property(
      fc.double({ min: -0.05, max: 0.6, noNaN: true }),
      fc.double({ min: 1.7, max: 3.4, noNaN: true }),
      fc.double({ min: 1.3, max: 2.9, noNaN: true }),
      fc.double({ min: 2.6, max: 5.5, noNaN: true }),
      (relief, bass, treble, standout) => {
        const catalogue = OPERATIONS.filter((o) => SMALL.includes(o.id));
        const read = { relief, 'action:6:12': bass, 'action:1:12': treble, 'saddle-standout': standout };
        const p: Problem = { ...problem('steel-acoustic', read, {}, { catalogue }), touch: null };
        const fine = finest(p);
        const enough = plansFor(p).plans.find((x) => x.id === 'sufficient');
        if (fine === null || !enough) return;
        compared++;
        expect(enough.undone).toEqual([]);
        const ids = enough.operations.map((o) => o.id);
        const own = weightOf(p, ids, enough.removed.saddle);
        // Twice as much at the saddle: the reserve at the near end of the action's band, a quarter of its upper half, and what a rod that
        // is looked at in steps of 0.02 mm can stand beside the best.
        const upper = ['action:6:12', 'action:1:12'].map((k) => {
          const t = p.targets.get(k);
          return t ? t.high - t.aim : 0;
        });
        const left = Math.max(0.1, standout - p.limits.standout.low);
        const kept = 2.05 * (0.25 * Math.max(...upper) + 0.02 + 0.02 * p.ratio) + CUT_STEP;
        const tolerance = p.weights.removed * Math.min(1, kept / left) + 1;
        expect({ fine, lighter: own > fine.weight + tolerance }).toEqual({ fine, lighter: false });
      },
    ),
    { ...runs(50), seed: 14 },
  );
  expect(compared).toBeGreaterThan(20);
});
