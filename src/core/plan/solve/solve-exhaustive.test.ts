import fc from 'fast-check';
import type { Kind } from '../../instrument/kinds.ts';
import { fretPosition } from '../../neck/fret-position.ts';
import { nutSlot } from '../../nut/nut-slot.ts';
import { verdict } from '../../targets/target.ts';
import { consequences } from '../../whatif/consequences.ts';
import { OPERATIONS } from '../operations.ts';
import type { OperationId } from '../operation-ids.ts';
import { input } from '../plan-input-for-tests.ts';
import { closure, costOf, weigh } from './cost.ts';
import { standings } from './judge-outcome.ts';
import { plansFor } from './plans.ts';
import { problem } from './problem-for-tests.ts';
import type { Problem } from './problem.ts';
import { BY_AIM, BY_COST, first, leaveIt, search } from './solve.ts';

/** Everything a small catalogue can do to a steel-string without fret readings, worked out anew from the closed forms. */
const SMALL: readonly OperationId[] = [
  'rod',
  'nut-slots',
  'nut-fill',
  'saddle-lower',
  'saddle-raise',
  'saddle-new',
  'neck-reset',
  'play-test',
  'strings-off',
];

interface Tried {
  readonly misses: number;
  readonly short: number;
  readonly weight: number;
}

function exhaustive(p: Problem): Tried {
  const c = p.model.construction;
  const xs = c.scale + c.compensation;
  const k = fretPosition(c.scale, 12) / xs;
  const per = nutSlot(3, 0, 0).perGap;
  const target = (key: string) =>
    p.targets.get(key) ?? { low: -Infinity, aim: 0, high: Infinity, layer: 'kind' as const };
  const state = (v: number, key: string, tells: number) => verdict(v, target(key), tells);
  const half = (key: string, tells: number) => Math.max((target(key).high - target(key).low) / 2, tells);
  const offered = SMALL.filter(
    (id) => p.catalogue.some((o) => o.id === id) && id !== 'play-test' && id !== 'strings-off',
  );
  const gap0 = Array.from(p.model.nut, (n) => n / per);
  const gapKey = (i: number) => `nut-gap:${6 - i}:1`;
  const best: Tried[] = [];
  const r = p.model.relief;
  const rt = target('relief:0:7');
  const width = rt.high - rt.low;
  for (let mask = 0; mask < 1 << offered.length; mask++) {
    const has = (id: OperationId) => offered.some((o, i) => o === id && (mask >> i) & 1);
    const goals = has('rod') ? [rt.aim, rt.low + 0.15 * width, rt.high - 0.15 * width] : [r];
    const out = ['low', 'high'].includes(state(r, 'relief:0:7', 0.005));
    if (has('rod') && (!out || Math.abs(rt.aim - r) > p.limits.rod || r < 0)) continue;
    if (has('nut-fill') && !gap0.some((g, i) => state(g, gapKey(i), 0.005) === 'low')) continue;
    if (has('nut-slots') && !gap0.some((g, i) => state(g, gapKey(i), 0.005) === 'high')) continue;
    const gaps = gap0.map((g, i) => {
      const s = state(g, gapKey(i), 0.005);
      return (s === 'high' && has('nut-slots')) || (s === 'low' && has('nut-fill'))
        ? target(gapKey(i)).aim
        : g;
    });
    // Slots are filled to be cut with the others: where some are high as well, filling alone is no answer of the bench.
    if (has('nut-fill') && !has('nut-slots') && gap0.some((g, i) => state(g, gapKey(i), 0.005) === 'high'))
      continue;
    const nutCut = has('nut-slots')
      ? gaps.reduce((s, g, i) => s + Math.max(0, (gap0[i] ?? 0) - g) * per, 0)
      : 0;
    const height = (['saddle-lower', 'saddle-raise', 'saddle-new', 'neck-reset'] as const).filter(has);
    for (const goal of goals) {
      const at = [0, 5].map(
        (i) => (p.model.action[i] ?? 0) + 2 * (goal - r) + ((gaps[i] ?? 0) - (gap0[i] ?? 0)) * per * (1 - k),
      );
      const keys = ['action:6:12', 'action:1:12'];
      const need = at.map((a, i) =>
        ['low', 'high'].includes(state(a, keys[i] ?? '', 0.02)) ? (target(keys[i] ?? '').aim - a) / k : 0,
      );
      const any = need.some((n) => n !== 0);
      const standout = p.model.standout ?? 0;
      const fits = (by: readonly number[]) =>
        standout + Math.min(...by) >= 1.5 - 1e-6 && standout + Math.max(...by) <= 6 + 1e-6;
      const options: { by: number[]; tilt: number; removed: number }[] = [];
      const signature = height.join('+');
      if (signature === '') options.push({ by: [0, 0], tilt: 0, removed: 0 });
      else if (any && signature === 'saddle-lower' && Math.max(...need) <= 0) {
        if (fits(need)) options.push({ by: need, tilt: 0, removed: -(need[0] ?? 0) - (need[1] ?? 0) });
        else if (standout - 1.5 >= 0.1) {
          const by = need.map((n) => Math.max(n, 1.5 - standout));
          options.push({ by, tilt: 0, removed: -(by[0] ?? 0) - (by[1] ?? 0) });
        }
      } else if (any && signature === 'saddle-raise' && Math.min(...need) >= 0 && fits(need))
        options.push({ by: need, tilt: 0, removed: 0 });
      else if (any && signature === 'saddle-new' && fits(need))
        options.push({ by: need, tilt: 0, removed: 0 });
      else if (any && (signature === 'saddle-new+neck-reset' || signature === 'neck-reset')) {
        const to = at.map((a, i) => (target(keys[i] ?? '').aim - a) / k);
        const tilt = p.limits.standout.good - standout - ((to[0] ?? 0) + (to[1] ?? 0)) / 2;
        const by = to.map((n) => n + tilt);
        const trimmed = by.some((b) => Math.abs(b) > 0.05);
        if (Math.abs(tilt) >= 1e-6 && trimmed === (signature !== 'neck-reset') && (!trimmed || fits(by)))
          options.push({ by: trimmed ? by : [0, 0], tilt, removed: 0 });
      }
      for (const o of options) {
        const ends = at.map((a, i) => a + ((o.by[i] ?? 0) - o.tilt) * k);
        const judged: [number, string, number][] = [
          [goal, 'relief:0:7', 0.005],
          [ends[0] ?? 0, 'action:6:12', 0.02],
          [ends[1] ?? 0, 'action:1:12', 0.02],
          ...gaps.map((g, i): [number, string, number] => [g, gapKey(i), 0.005]),
        ];
        const bad = judged.filter(([v, key, tells]) => ['low', 'high'].includes(state(v, key, tells)));
        const chosen = new Set<OperationId>(offered.filter(has));
        best.push({
          misses: bad.length,
          short:
            Math.round(
              10 *
                bad.reduce(
                  (s, [v, key, tells]) => s + Math.abs(v - target(key).aim) / half(key, tells) - 1,
                  0,
                ),
            ) / 10,
          weight: weigh(p, costOf(p, closure(p, chosen)), o.removed + nutCut),
        });
      }
    }
  }
  return best.reduce((a, b) =>
    (b.misses - a.misses || b.short - a.short || b.weight - a.weight) < 0 ? b : a,
  );
}

describe('against everything that can be done', () => {
  const places = {
    relief: fc.double({ min: -0.1, max: 0.9, noNaN: true }),
    bass: fc.double({ min: 1.2, max: 4, noNaN: true }),
    treble: fc.double({ min: 1, max: 3.5, noNaN: true }),
    standout: fc.double({ min: 0.8, max: 6, noNaN: true }),
    gap: fc.double({ min: 0, max: 0.4, noNaN: true }),
    other: fc.double({ min: 0, max: 0.4, noNaN: true }),
    left: fc.subarray([...SMALL], { minLength: 3 }),
  };
  test('500 random cases: never heavier than the lightest there is, to the stated bound', () => {
    fc.assert(
      fc.property(fc.record(places), ({ relief, bass, treble, standout, gap, other, left }) => {
        const p = problem(
          'steel-acoustic',
          {
            relief,
            'action:6:12': bass,
            'action:1:12': treble,
            'saddle-standout': standout,
            'nut-gap:6:1': gap,
            'nut-gap:1:1': other,
            intonation: null,
          },
          {},
          { catalogue: OPERATIONS.filter((o) => left.includes(o.id)) },
        );
        // The clearance has its own tests: here nobody plays.
        const quiet = { ...p, model: { ...p.model, pull: p.model.pull.map(() => 1e6) } };
        const found = first(
          search({ ...quiet, limits: { ...p.limits } }).candidates.map((c) => ({
            ...c,
            misses: c.misses - (c.tightest && c.tightest.margin < 0 ? (c.tightest.still <= 0 ? 2 : 1) : 0),
          })),
          BY_COST,
        );
        const least = exhaustive(quiet);
        expect([found.misses, found.short]).toEqual([least.misses, least.short]);
        expect(found.weight).toBeLessThanOrEqual(least.weight + plansFor(quiet).bound + 1e-6);
      }),
      { numRuns: 500 },
    );
  }, 120_000);

  const cases = fc.record({
    relief: places.relief,
    bass: places.bass,
    treble: places.treble,
    standout: places.standout,
    gap: places.gap,
  });
  const kinds = fc.constantFrom<Kind>(
    'steel-acoustic',
    'solid-electric',
    'bass',
    'nylon',
    'twelve-string',
    'ukulele',
  );
  const make = (
    kind: Kind,
    v: { relief: number; bass: number; treble: number; standout: number; gap: number },
    more = {},
  ) => {
    const n = input(kind).construction.strings.length;
    return problem(
      kind,
      {
        relief: v.relief,
        [`action:${n}:12`]: v.bass,
        'action:1:12': v.treble,
        'saddle-standout': v.standout,
        'nut-gap:1:1': v.gap,
      },
      more,
    );
  };

  test('what was enough stays enough, at its weight, in a looser band', () => {
    fc.assert(
      fc.property(kinds, cases, fc.double({ min: 0, max: 1, noNaN: true }), (kind, v, by) => {
        const p = make(kind, v);
        const wide = {
          ...p,
          limits: p.limits,
          targets: new Map(
            [...p.targets].map(([key, t]) => [
              key,
              { ...t, low: t.low - by * (t.high - t.low), high: t.high + by * (t.high - t.low) },
            ]),
          ),
        };
        const tight = first(search(p).candidates, BY_COST);
        // Sizes go to aims, which stay: what was enough for the tight bands is enough for the wide ones, at the same weight.
        const still = standings(wide, consequences(p.model, tight.moves, p.ratio));
        if (tight.misses === 0) expect(still.filter((x) => ['low', 'high'].includes(x.verdict))).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  test('another operation never makes the best plan worse', () => {
    fc.assert(
      fc.property(kinds, cases, fc.nat(OPERATIONS.length - 1), (kind, v, drop) => {
        const all = make(kind, v);
        const less = {
          ...all,
          catalogue: OPERATIONS.filter(
            (o, i) => i !== drop || o.id === 'play-test' || o.id === 'strings-off',
          ),
        };
        for (const rank of [BY_COST, BY_AIM]) {
          const [a, b] = [
            rank(first(search(all).candidates, rank)),
            rank(first(search(less).candidates, rank)),
          ];
          const i = a.findIndex((x, n) => x !== b[n]);
          if (i >= 0) expect(a[i]).toBeLessThan(b[i] ?? NaN);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('a plan carried out in the model stands where it was said to, in its band', () => {
    fc.assert(
      fc.property(kinds, cases, (kind, v) => {
        const p = make(kind, v);
        const s = search(p);
        const plan = first(s.candidates, BY_COST);
        const o = consequences(p.model, plan.moves, p.ratio);
        const out = plan.stands.filter((x) => ['low', 'high'].includes(x.verdict)).length;
        if (plan.misses === 0) expect(out).toBe(0);
        for (const x of plan.stands.filter((y) => y.judged.quantity === 'action'))
          expect(o.action[x.judged.index]).toBeCloseTo(x.value, 9);
        expect(leaveIt(s.candidates).misses).toBeGreaterThanOrEqual(plan.misses);
      }),
      { numRuns: 60 },
    );
  });
});
