import fc from 'fast-check';
import { usualConstruction } from '../../instrument/defaults.ts';
import type { Kind } from '../../instrument/kinds.ts';
import { OPERATIONS } from '../../catalogue/operations.ts';
import { JOB, problem } from './problem-for-tests.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import type { PlanInput } from '../plan-input.ts';
import { input } from '../plan-input-for-tests.ts';
import { closure, costOf, inOrder } from './cost.ts';
import { callsOf } from './explain.ts';
import { plansFor } from './plans.ts';
import { problemFrom } from './problem-from.ts';
import type { Problem } from './problem.ts';
import { BY_COST, first, search } from './solve.ts';
import { stepsOf } from './steps.ts';

const read = (
  quantity: 'fret-rock' | 'fret-height' | 'contact' | 'bridge-thickness' | 'slot-depth',
  string: number,
  fret: number,
  value: number,
) =>
  [
    `${quantity}:${string}:${fret}`,
    {
      key: `${quantity}:${string}:${fret}`,
      quantity,
      string,
      fret,
      value,
      round: 'as-found' as const,
      takenAt: 0,
      notRepresentative: null,
    },
  ] as const;

type Extra = PlanInput['readings'] extends ReadonlyMap<infer K, infer V> ? readonly [K, V] : never;
const withReadings = (
  kind: Kind,
  set: Readonly<Record<string, number | null>>,
  extra: readonly Extra[],
  job = {},
) => {
  const plan = input(kind, set);
  return problem(kind, set, { readings: new Map<Extra[0], Extra[1]>([...plan.readings, ...extra]) }, job);
};

const ids = (p: Problem): OperationId[] => [...first(search(p).candidates, BY_COST).operations];

describe('what is proposed for', () => {
  test('an instrument whose every place is in its band: leave it', () => {
    const { plans, looked } = plansFor(problem('steel-acoustic'));
    expect(plans.map((x) => x.operations)).toEqual([[], [], []]);
    expect(looked).toBe(1);
    expect(plans[0]?.undone).toEqual([]);
  });

  test('a high action with plenty of saddle: lower it, first cut and reading put in', () => {
    const p = problem('steel-acoustic', {
      'action:6:12': 3.2,
      'action:1:12': 2.6,
      'saddle-standout': 5,
      intonation: null,
    });
    const enough = plansFor(p).plans[1];
    expect(enough?.operations.map((o) => o.id)).toEqual(['saddle-lower', 'play-test']);
    expect(enough?.misses).toBe(0);
    const kinds = enough?.steps.map((s) => s.kind) ?? [];
    expect(kinds.slice(0, 3)).toEqual(['first-cut', 'read', 'do']);
    expect(enough?.steps[0]?.cautions.length).toBeGreaterThan(0);
  });

  test('the same with hardly any saddle left: the neck’s angle, and why not the saddle', () => {
    const p = problem('steel-acoustic', { 'action:6:12': 3.6, 'action:1:12': 3, 'saddle-standout': 1.8 });
    const s = search(p);
    const best = first(s.candidates, BY_COST);
    expect([...best.operations]).toContain('neck-reset');
    expect(best.outcome.standout).toBeGreaterThanOrEqual(p.limits.standout.low);
    const height = callsOf(p, s, best).find((c) => c.question.startsWith('Saddle'));
    const saddle = height?.reasons.find((r) => r.operation === 'saddle-lower');
    expect(saddle?.in).toBe(false);
    expect(`${saddle?.because} ${saddle?.would}`).toMatch(/out/);
  });

  test('on an instrument worth little the bridge is thinned instead, and a reset is refused by its price', () => {
    const low = { 'action:6:12': 3.6, 'action:1:12': 3.1, 'saddle-standout': 1.8 };
    const bridge = [read('bridge-thickness', 0, 0, 10), read('slot-depth', 0, 0, 4)];
    const cheap = withReadings('steel-acoustic', low, bridge, { worth: 40_000 });
    expect(ids(cheap)).toContain('bridge-thin');
    const calls = callsOf(cheap, search(cheap), first(search(cheap).candidates, BY_COST));
    const reset = calls.flatMap((c) => c.reasons).find((r) => r.operation === 'neck-reset');
    expect(reset?.because).toMatch(/over 50 % of what it is worth/);
    const fine = withReadings('steel-acoustic', low, bridge, { worth: 400_000 });
    expect(ids(fine)).toContain('neck-reset');
    expect(ids(fine)).not.toContain('bridge-thin');
    // Its history counts: however little it is worth, its bridge stays, and money refuses nothing.
    const dear = { ...cheap, worth: { ...cheap.worth, history: true } };
    expect(ids(dear)).toContain('neck-reset');
    expect(ids(dear)).not.toContain('bridge-thin');
    const kept = callsOf(dear, search(dear), first(search(dear).candidates, BY_COST));
    expect(kept.flatMap((c) => c.reasons).find((r) => r.operation === 'bridge-thin')?.because).toMatch(
      /its history/,
    );
    const thick = withReadings(
      'steel-acoustic',
      low,
      [read('bridge-thickness', 0, 0, 7), read('slot-depth', 0, 0, 4)],
      { worth: 40_000 },
    );
    expect(ids(thick)).not.toContain('bridge-thin');
  });

  test('saddles on screws are set, never cut; a bolted neck may be shimmed', () => {
    const p = problem('solid-electric', { 'action:6:12': 2.6, 'action:1:12': 2.2 });
    expect(ids(p)).toEqual(expect.arrayContaining(['saddle-set']));
    const s = search(p);
    expect(s.candidates.some((c) => c.operations.has('shim'))).toBe(true);
    expect(s.candidates.some((c) => c.operations.has('saddle-lower') || c.operations.has('neck-reset'))).toBe(
      false,
    );
  });

  test('a one-way rod in a back-bow: loosened first, and nothing is cut meanwhile', () => {
    const p = problem('steel-acoustic', { relief: -0.05, 'action:6:12': 3 });
    const best = first(search(p).candidates, BY_COST);
    expect(best.operations.has('rod')).toBe(true);
    expect(best.moves.relief).toBeGreaterThan(0);
    expect(best.misses).toBe(0);
  });

  const CUTS: readonly OperationId[] = [
    'saddle-lower',
    'saddle-new',
    'saddle-raise',
    'nut-slots',
    'nut-new',
    'bridge-thin',
    'neck-reset',
    'compensate',
    'fret-dress',
    'fret-spot',
  ];

  test.each(['at-its-end', 'stuck', 'no-answer'] as const)(
    'a rod that is %s is never turned further: clamp or warmth, or nothing is cut at all',
    (rod) => {
      const high = { relief: 0.5, 'action:6:12': 3.2, 'action:1:12': 2.6 };
      const p = problem('steel-acoustic', high, {}, { rod });
      const s = search(p);
      expect(s.candidates.some((c) => c.operations.has('rod'))).toBe(false);
      for (const c of s.candidates) {
        const bent = Math.abs(c.moves.relief) < 1e-9;
        if (bent) expect(CUTS.filter((id) => c.operations.has(id))).toEqual([]);
      }
      expect(first(s.candidates, BY_COST).operations.has('neck-clamp')).toBe(true);
      const poor = problem('steel-acoustic', high, {}, { rod, worth: 5000 });
      expect(ids(poor).filter((id) => CUTS.includes(id) || id === 'rod')).toEqual([]);
    },
  );

  test('a rod nut at the heel: the neck comes off for it, or where it cannot, it is left', () => {
    const bolted = { ...usualConstruction('steel-acoustic'), joint: 'bolted', rodNut: 'heel' } as const;
    const p = problem('steel-acoustic', { relief: 0.4 });
    const heel = { ...p, model: { ...p.model, construction: bolted } };
    expect(ids(heel)).toEqual(expect.arrayContaining(['neck-off', 'rod']));
  });

  test('frets on a neck that is not straight are not levelled before it is', () => {
    const rocks = [read('fret-rock', 0, 9, 0.12)];
    const bent = withReadings('nylon', { relief: 0.6 }, rocks);
    const without = {
      ...bent,
      model: { ...bent.model, construction: { ...bent.model.construction, rod: 'none' as const } },
    };
    const s = search(without);
    for (const c of s.candidates)
      expect(c.operations.has('fret-spot') && Math.abs(c.moves.relief) < 1e-9).toBe(false);
    const straight = withReadings('steel-acoustic', {}, rocks);
    expect(ids(straight)).toContain('fret-spot');
  });

  test('worn frets: spots, level, some or all, by the metal left', () => {
    const heights = (of: (fret: number) => number) =>
      Array.from({ length: 20 }, (_, i) =>
        [3, 2, 1].map((s) => read('fret-height', s, i + 1, of(i + 1))),
      ).flat();
    const uneven = withReadings(
      'steel-acoustic',
      {},
      heights((f) => 1 + (f % 3) * 0.05),
    );
    expect(ids(uneven).some((id) => id === 'fret-dress' || id === 'fret-spot')).toBe(true);
    const worn = withReadings(
      'steel-acoustic',
      {},
      heights((f) => (f <= 3 ? 0.4 : 0.9)),
    );
    expect(ids(worn).some((id) => id === 'fret-replace' || id === 'refret')).toBe(true);
  });

  test('a contact that does not stay on the crown is not filed there', () => {
    const p = withReadings('steel-acoustic', { 'intonation:6:12': 9 }, [read('contact', 6, 0, 2.5)]);
    const s = search(p);
    expect(s.candidates.some((c) => c.operations.has('compensate'))).toBe(false);
    expect(first(s.candidates, BY_COST).operations.has('saddle-slot')).toBe(true);
    expect(s.refused.find((r) => r.operations[0] === 'compensate')?.because).toMatch(/crown/);
  });

  test('what the inspection found is repaired where it is worth it, else watched', () => {
    const findings = [
      {
        item: 'bridge',
        title: 'Bridge sits down',
        note: 'lifting',
        leadsTo: 'bridge-reglue' as const,
        name: 'Reglue the bridge',
        plain: 'It is out.',
      },
    ];
    const plans = plansFor(problem('steel-acoustic', {}, { findings }));
    expect(plans.findings[0]?.choice).toBe('repair');
    expect(plans.plans[0]?.undone.map((u) => u.what)).toEqual(['Bridge sits down']);
    expect(plans.plans[1]?.operations.map((o) => o.id)).toContain('bridge-reglue');
    const poor = plansFor(problem('steel-acoustic', {}, { findings }, { worth: 10_000 }));
    expect(poor.findings[0]?.choice).toBe('leave and watch');
    expect(poor.plans[1]?.operations).toEqual([]);
  });

  test('a repair the shop does not offer is replaced; each has a limit to act at', () => {
    const findings = [
      {
        item: 'tuners',
        title: 'Tuners turn',
        note: '',
        leadsTo: 'tuners' as const,
        name: 'Tighten the tuners',
        plain: 'It is out.',
      },
      {
        item: 'crack',
        title: 'No cracks',
        note: 'top, 4 cm',
        leadsTo: 'crack-glue' as const,
        name: 'Glue a crack',
        plain: 'It is out.',
      },
    ];
    const p = problem(
      'steel-acoustic',
      {},
      { findings },
      { catalogue: OPERATIONS.filter((o) => o.id !== 'tuners') },
    );
    const [tuners, crack] = plansFor(p).findings;
    expect(tuners?.choice).toBe('replace');
    expect(crack?.choice).toBe('repair');
    expect(crack?.limit).toMatch(/passes a mark/);
  });

  test('a rise at the end of the board is dealt with at the frets, though no single one is high', () => {
    const heights = Array.from({ length: 20 }, (_, i) =>
      [3, 2, 1].map((s) => read('fret-height', s, i + 1, 1 + Math.max(0, i - 14) * 0.09)),
    ).flat();
    expect(ids(withReadings('bass', {}, heights)).some((id) => id.startsWith('fret-'))).toBe(true);
  });

  test('an instrument without strings has no plan yet; without an action it is asked for, and not judged', () => {
    expect(problemFrom(input('nylon', {}, { strings: 'off' }), JOB)).toHaveProperty('because');
    const made = problem('nylon', { action: null });
    expect(made.questions.join()).toContain('The action was not read');
    expect(made.judged.some((j) => j.quantity === 'action')).toBe(false);
  });
});

describe('the order of the work', () => {
  test('nothing stands before what it needs, and strings come off after the rod', () => {
    const all = closure(
      { catalogue: OPERATIONS },
      new Set<OperationId>(['fret-dress', 'rod', 'nut-slots', 'saddle-lower', 'compensate']),
    );
    const order = inOrder({ catalogue: OPERATIONS }, all).map((o) => o.id);
    expect(order).toEqual([
      'rod',
      'strings-off',
      'fret-dress',
      'nut-slots',
      'saddle-lower',
      'compensate',
      'play-test',
    ]);
    const steps = stepsOf({ catalogue: OPERATIONS }, all, []);
    expect(steps.find((s) => s.kind === 'wait')?.operation).toBe('rod');
    for (const o of OPERATIONS.filter((x) => all.has(x.id) && !x.reversible)) {
      const own = steps.filter((s) => s.operation === o.id).map((s) => s.kind);
      expect([o.id, own.slice(0, 3)]).toEqual([o.id, ['first-cut', 'read', 'do']]);
    }
    const strung = steps.findIndex((s) => s.operation === null);
    expect(steps[strung]?.says).toMatch(/^String it up/);
    expect(steps[strung + 1]?.says).toMatch(/^Read again: .*relief, action.*gap over fret 1/);
    expect(steps[strung + 2]?.operation).toBe('nut-slots');
  });

  test('a bridge is glued after the rod was set; a neck is whole and tight before', () => {
    const order = (...ids: OperationId[]) =>
      inOrder({ catalogue: OPERATIONS }, new Set(ids)).map((o) => o.id);
    expect(order('strings-off', 'bridge-reglue', 'rod')).toEqual(['rod', 'strings-off', 'bridge-reglue']);
    expect(order('strings-off', 'headstock-glue', 'rod')).toEqual(['strings-off', 'headstock-glue', 'rod']);
    expect(order('strings-off', 'neck-hole', 'neck-tighten', 'fret-dress', 'rod')).toEqual([
      'strings-off',
      'neck-hole',
      'neck-tighten',
      'rod',
      'fret-dress',
    ]);
  });

  test('whatever is planned, nothing wants strings that are off, nor has them on that wants them off, and all is read again', () => {
    fc.assert(
      fc.property(fc.subarray(OPERATIONS.map((o) => o.id)), (some) => {
        const p = { catalogue: OPERATIONS };
        const steps = stepsOf(p, closure(p, new Set(some)), []);
        let on = true;
        let unread = new Set<string>();
        for (const s of steps) {
          const o = OPERATIONS.find((x) => x.id === s.operation);
          if (s.says.startsWith('String it up and tune')) on = true;
          if (s.says.startsWith('Take the strings off')) on = false;
          if (s.kind === 'read' && s.says.startsWith('Read again:')) unread = new Set();
          if (s.kind !== 'do' || !o) continue;
          if (o.strung) expect([o.id, on, unread.size]).toEqual([o.id, true, 0]);
          if (o.needs.includes('strings-off')) expect([o.id, on]).toEqual([o.id, false]);
          if (o.strings === 'on' && !o.strung) on = true;
          if (!o.alongside) for (const q of o.stale) unread.add(q);
        }
        expect([...unread]).toEqual([]);
      }),
    );
  });

  test('costs add up, low to high', () => {
    const cost = costOf({ catalogue: OPERATIONS }, new Set<OperationId>(['rod', 'saddle-lower']));
    expect(cost.price.likely).toBe(4000);
    expect(cost.price.low).toBeLessThan(cost.price.likely);
    expect(cost.price.high).toBeGreaterThan(cost.price.likely);
    expect(cost.wait).toBe(10);
    expect(cost.irreversible).toBe(1);
    expect(closure({ catalogue: OPERATIONS }, new Set())).toEqual(new Set());
  });
});
