import { levelBy } from '../../frets/strategies.ts';
import { fretPosition } from '../../neck/fret-position.ts';
import { formatLength } from '../../units/format-length.ts';
import { sizeWords } from '../../units/words-in.ts';
import { NO_MOVES } from '../../whatif/moves.ts';
import { op as record } from '../../catalogue/operation-record.ts';
import type { Operation } from '../../catalogue/operation.ts';
import { OPERATIONS } from '../../catalogue/operations.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { closure, costOf, daysOf, inOrder, weigh } from './cost.ts';
import { callsOf } from './explain.ts';
import { fretWays, tooDear } from './fret-ways.ts';
import { highFrets, standings, together, type Stands } from './judge-outcome.ts';
import { problem } from './problem-for-tests.ts';
import type { Problem } from './problem.ts';
import type { Candidate, Search } from './solve.ts';
import { GROUPS, stay, type Group, type Way } from './way.ts';

const op = (id: OperationId, ...rest: Parameters<typeof record>): Operation =>
  ({ id, ...record(...rest) }) as Operation;

const mm = (v: number): string => formatLength(v, 'mm');
const near = (v: number) => expect.closeTo(v, 9) as number;

describe('why an operation is in a plan or out of it', () => {
  const p = problem('steel-acoustic');
  const way = (group: Group, id: OperationId): Way => ({
    group,
    name: `by ${id}`,
    parts: [{ operation: id, says: `says ${id}`, amounts: [], removed: 0 }],
    moves: NO_MOVES,
    warns: [],
  });
  /** Five ways, one of them by an operation; what it misses and weighs. */
  const candidate = (misses: number, weight: number, one: Way | null, price = weight): Candidate =>
    ({
      ways: GROUPS.map((g) => (one?.group === g ? one : stay(g, NO_MOVES))),
      operations: new Set(one?.parts.map((x) => x.operation) ?? []),
      misses,
      stands: [],
      highFrets: [],
      tightest: null,
      tight: false,
      short: 0,
      off: 0,
      weight,
      cost: { price: { low: price, likely: price, high: price } },
    }) as unknown as Candidate;
  const search = (candidates: readonly Candidate[], refused: Search['refused'] = []): Search => ({
    candidates,
    asked: candidates,
    refused,
  });
  const lower = way('height', 'saddle-lower');
  const only = (s: Search, plan: Candidate, id: OperationId) => {
    const found = callsOf(p, s, plan)
      .flatMap((c) => c.reasons)
      .find((r) => r.operation === id);
    if (!found) throw new Error(id);
    return found;
  };

  test('nothing asked of a group: nothing is said of it; else its question, its answer, its reasons', () => {
    const plan = candidate(0, 5000, lower);
    const calls = callsOf(p, search([plan, candidate(1, 0, null)]), plan);
    expect(calls).toEqual([
      {
        group: 'height',
        question: 'Saddle, shim, reset or bridge?',
        answer: 'by saddle-lower',
        reasons: [expect.objectContaining({ operation: 'saddle-lower', name: 'Lower the saddle', in: true })],
      },
    ]);
    const left = callsOf(p, search([plan, candidate(1, 0, null)]), candidate(1, 0, null));
    expect(left[0]?.answer).toBe('leave it');
    expect(left[0]?.reasons[0]?.in).toBe(false);
  });

  test.each([
    ['there is no other way', [], 'There is no way without it.'],
    ['two more would stay out', [candidate(2, 0, null)], 'Without it 2 places more would stay out.'],
    ['one more would stay out', [candidate(1, 0, null)], 'Without it 1 place more would stay out.'],
    ['the rest weighs more', [candidate(0, 6250, null)], 'Without it the rest weighs ¤12.50 more.'],
    [
      'the rest weighs less',
      [candidate(0, 4000, null)],
      'Without it the plan weighs ¤10.00 less and ends further from its aims.',
    ],
  ] as const)('in the plan, and %s', (_what, others, would) => {
    const plan = candidate(0, 5000, lower);
    expect(only(search([plan, ...others]), plan, 'saddle-lower')).toMatchObject({
      in: true,
      because: 'says saddle-lower',
      would,
    });
  });

  test.each([
    [
      'more would stay out with it',
      candidate(2, 1, lower),
      'With it 2 places more would stay out.',
      'It would be right if those were left.',
    ],
    [
      'it weighs more',
      candidate(0, 6000, lower, 5500),
      'It does as much and weighs ¤10.00 more (¤55.00 against ¤50.00).',
      'It would be right if it cost ¤10.00 less.',
    ],
    [
      'it weighs less',
      candidate(0, 4500, lower),
      'It weighs ¤5.00 less and ends further from the aims.',
      'It would be right where the money counts more than the last tenth.',
    ],
    [
      'it weighs the same',
      candidate(0, 5000, lower),
      'It weighs ¤0.00 less and ends further from the aims.',
      'It would be right where the money counts more than the last tenth.',
    ],
  ])('out of the plan: %s', (_what, withIt, because, would) => {
    const plan = candidate(0, 5000, null);
    expect(only(search([plan, withIt]), plan, 'saddle-lower')).toMatchObject({ in: false, because, would });
  });

  test('out of the plan because it was refused; by another group’s refusal it is not asked', () => {
    const plan = candidate(0, 0, null);
    const refused = {
      group: 'height',
      operations: ['neck-reset'],
      because: 'dear',
      would: 'cheaper',
    } as const;
    const calls = callsOf(p, search([plan], [refused]), plan);
    expect(calls.map((c) => c.question)).toEqual(['Saddle, shim, reset or bridge?']);
    expect(calls[0]?.reasons).toEqual([
      { operation: 'neck-reset', name: 'Reset the neck', in: false, because: 'dear', would: 'cheaper' },
    ]);
  });

  test('the best of several rivals speaks, and one not in the catalogue goes by its id', () => {
    const plan = candidate(0, 5000, null);
    const s = search([plan, candidate(0, 9000, lower), candidate(0, 5500, lower), candidate(3, 0, lower)]);
    expect(only(s, plan, 'saddle-lower').because).toMatch(/weighs ¤5.00 more/);
    const bare = { ...p, catalogue: [] };
    expect(callsOf(bare, s, plan)[0]?.reasons[0]?.name).toBe('saddle-lower');
  });
});

describe('what a set of operations costs', () => {
  const small = [
    op('strings-off', 'Off', 5, [1, 2, 3], 100),
    op('rod', 'Rod', 10, [5, 10, 20], 1000, { wait: 15 }),
    op('nut-slots', 'Slots', 20, [10, 20, 30], 2001, {
      needs: ['strings-off'],
      reversible: false,
      parts: 50,
    }),
    op('saddle-lower', 'Lower', 30, [10, 20, 40], 2000, {
      needs: ['nut-slots', 'strings-off'],
      reversible: false,
    }),
    op('battery', 'Battery', 40, [0, 0, 0], 300, { parts: 400 }),
    op('play-test', 'Play', 90, [5, 5, 5], 0),
  ];
  const p = { catalogue: small };
  const set = (...ids: OperationId[]) => new Set(ids);

  test('labour goes with the minutes, to the minor unit; parts do not; a thing of no minutes has its price', () => {
    expect(costOf(p, set('nut-slots', 'battery', 'rod'))).toEqual({
      price: { low: 1001 + 50 + 700 + 500, likely: 2001 + 50 + 700 + 1000, high: 3002 + 50 + 700 + 2000 },
      minutes: { low: 15, likely: 30, high: 50 },
      wait: 15,
      irreversible: 1,
    });
    expect(costOf(p, set('refret')).price.likely).toBe(0);
    expect(costOf(p, set()).minutes).toEqual({ low: 0, likely: 0, high: 0 });
  });

  test('what goes along: strings off where one needs it, the test at the end, and only what the shop has', () => {
    expect(closure(p, set())).toEqual(set());
    expect(closure(p, set('rod'))).toEqual(set('rod', 'play-test'));
    expect(closure(p, set('nut-slots'))).toEqual(set('nut-slots', 'strings-off', 'play-test'));
    const bare = { catalogue: small.filter((o) => o.id !== 'strings-off' && o.id !== 'play-test') };
    expect(closure(bare, set('nut-slots'))).toEqual(set('nut-slots'));
    expect(closure(p, set('refret'))).toEqual(set('refret', 'play-test'));
  });

  test('in order: none before what it needs, strings off only when they must', () => {
    const ids = (...of: OperationId[]) => inOrder(p, set(...of)).map((o) => o.id);
    expect(ids('play-test', 'saddle-lower', 'nut-slots', 'strings-off', 'rod')).toEqual([
      'rod',
      'strings-off',
      'nut-slots',
      'saddle-lower',
      'play-test',
    ]);
    expect(ids('rod', 'strings-off')).toEqual(['strings-off', 'rod']);
    expect(ids()).toEqual([]);
    const turned = [
      op('rod', 'Rod', 1, [1, 1, 1], 0, { needs: ['battery'] }),
      op('battery', 'Battery', 2, [1, 1, 1], 0),
      op('socket', 'Socket', 3, [1, 1, 1], 0, { needs: ['socket'] }),
    ];
    expect(inOrder({ catalogue: turned }, set('rod', 'battery', 'socket')).map((o) => o.id)).toEqual([
      'battery',
      'rod',
      'socket',
    ]);
    // A circle ends all the same.
    const circle = [
      op('rod', 'Rod', 1, [1, 1, 1], 0, { needs: ['battery'] }),
      op('battery', 'Battery', 2, [1, 1, 1], 0, { needs: ['rod'] }),
    ];
    expect(inOrder({ catalogue: circle }, set('rod', 'battery')).map((o) => o.id)).toEqual([
      'rod',
      'battery',
    ]);
  });

  test.each([
    ['nothing', [], 0],
    ['one hour', [[60, 0]], 1],
    [
      'ten minutes of waiting in a day',
      [
        [10, 10],
        [60, 0],
        [30, 15],
      ],
      1,
    ],
    ['six hours of hands', [[360, 0]], 1],
    ['a minute more', [[361, 0]], 2],
    [
      'glue over night',
      [
        [30, 720],
        [30, 0],
      ],
      2,
    ],
    [
      'glue till the next day',
      [
        [300, 1200],
        [30, 0],
      ],
      2,
    ],
    [
      'a week under tension',
      [
        [15, 7 * 1440],
        [20, 0],
      ],
      8,
    ],
  ] as const)('days away: %s', (_, steps, days) => {
    const made = steps.map(([likely, wait]) => ({ minutes: { low: likely, likely, high: likely }, wait }));
    expect(daysOf(made)).toBe(days);
  });

  test('weighed: money, a day’s waiting, what cannot be undone, and the share of a part taken off', () => {
    const whole = {
      ...problem('steel-acoustic'),
      weights: { day: 100, removed: 1000, irreversible: 10, close: 5 },
    };
    const cost = {
      price: { low: 0, likely: 500, high: 0 },
      minutes: { low: 0, likely: 0, high: 0 },
      wait: 720,
      irreversible: 3,
    };
    expect(weigh(whole, cost, 0.25)).toBe(500 + 50 + 30 + 250);
  });

  test('too dear is over its share of what the instrument is worth', () => {
    const at = (amount: number | null) => ({
      ...problem('steel-acoustic', {}, {}, { worth: amount, catalogue: small }),
    });
    expect(tooDear(at(null), 'nut-slots')).toBeNull();
    expect(tooDear(at(4102), 'nut-slots')).toBeNull();
    expect(tooDear(at(4100), 'refret')).toBeNull();
    const p = at(4100);
    expect(tooDear({ ...p, worth: { ...p.worth, history: true } }, 'nut-slots')).toBeNull();
    expect(tooDear(p, 'nut-slots')).toEqual({
      because: '¤20.51 is over 50 % of what it is worth (¤41.00).',
      would: 'It would be right for an instrument worth ¤41.02 or more, or if the customer wants it.',
    });
  });
});

describe('how places stand', () => {
  const p = problem('steel-acoustic', {
    relief: 0.4,
    'action:6:12': 2.6,
    'nut-gap:1:1': 0.02,
    'intonation:3:12': 4,
  });
  const standing = (of?: Parameters<typeof standings>[2]) => {
    const o = {
      asRead: true,
      relief: 0.4,
      action: [2.6, 0, 0, 0, 0, 1.7],
      gap: [0.1, 0.1, 0.1, 0.1, 0.1, 0.02],
      cents: [0, 0, 0, 4, 0, null],
    };
    return standings(p, o as unknown as Parameters<typeof standings>[1], of);
  };

  test('each by its own quantity and string, off by half widths of its band', () => {
    const by = new Map(standing().map((s) => [s.judged.key, s]));
    expect(by.get('relief:0:7')).toMatchObject({ value: 0.4, verdict: 'high', off: near(4) });
    expect(by.get('action:6:12')).toMatchObject({ value: 2.6, verdict: 'high', off: near(0.4 / 0.25) });
    expect(by.get('action:1:12')).toMatchObject({ value: 1.7, verdict: 'in', off: 0 });
    expect(by.get('nut-gap:1:1')).toMatchObject({ value: 0.02, verdict: 'low' });
    expect(by.get('intonation:3:12')).toMatchObject({ value: 4, verdict: 'high', off: near(2) });
    expect(by.has('intonation:1:12')).toBe(false);
    expect(standing(['action']).map((s) => s.judged.key)).toEqual(['action:6:12', 'action:1:12']);
    const untold = standings({ ...p, targets: new Map() }, { relief: 1 } as never, ['relief']);
    expect(untold).toEqual([]);
  });

  test('a band of no width is as wide as the gauge tells', () => {
    const relief = { low: 0.2, aim: 0.2, high: 0.2, layer: 'kind' as const };
    const exact = { ...p, targets: new Map([['relief:0:7', relief]]) };
    const [s] = standings(exact, { relief: 0.3 } as never, ['relief']);
    expect(s?.off).toBeCloseTo(0.1 / (s?.judged.tells ?? NaN), 9);
  });

  test('together: those that are out; for every size the next ones in join, one by one', () => {
    const gaps = (values: readonly number[]): Stands[] => standings(p, { gap: values } as never, ['nut-gap']);
    const strings = (sets: readonly (readonly Stands[])[]) =>
      sets.map((set) => set.map((s) => s.judged.index));
    const two = gaps([0.3, 0.1, 0.14, 0.4, 0.1, 0.06]);
    expect(strings(together(p, two, 'asked'))).toEqual([[3, 0]]);
    expect(strings(together(p, two, 'every')).map((s) => s.length)).toEqual([2, 3, 4, 5, 6]);
    expect(strings(together(p, two, 'every'))[2]).toEqual([3, 0, 2, 5]);
    const fine = gaps([0.1, 0.12, 0.1, 0.1, 0.1, 0.1]);
    expect(together(p, fine, 'asked')).toEqual([]);
    expect(strings(together(p, fine, 'every'))[0]).toEqual([1]);
    expect(together(p, [], 'every')).toEqual([]);
  });

  test('a fret is high over the line through its neighbours, by their true places', () => {
    const tops = (of: Readonly<Record<number, number>>) => Array.from({ length: 21 }, (_, n) => of[n] ?? 0);
    const m = p.model;
    expect(highFrets(m, tops({ 9: 0.05 }), 0.03)).toEqual([{ fret: 9, over: near(0.05) }]);
    expect(highFrets(m, tops({ 9: 0.03 }), 0.03)).toEqual([]);
    // The ends have no neighbour on one side; what stands beside them is still told.
    expect(highFrets(m, tops({ 1: 0.05, 20: 0.05 }), 0.03)).toEqual([]);
    expect(highFrets(m, tops({ 2: 0.05 }), 0.03).map((h) => h.fret)).toEqual([2]);
    expect(highFrets(m, tops({ 19: 0.05 }), 0.03).map((h) => h.fret)).toEqual([19]);
    const [a, b, c] = [4, 5, 6].map((n) => fretPosition(m.construction.scale, n)) as [number, number, number];
    const slope = highFrets(m, tops({ 4: 0.1, 5: 0.2, 6: 0 }), 0.03).find((h) => h.fret === 5);
    expect(slope?.over).toBeCloseTo(0.2 - (0.1 - (0.1 * (b - a)) / (c - a)), 9);
  });
});

describe('the frets', () => {
  const SAFE = { action: 3, 'nut-gap': 0.1 };
  const read = (more: readonly (readonly [number, number])[], set: Readonly<Record<string, number>> = {}) => {
    const p = problem('steel-acoustic', { ...SAFE, ...set });
    const tops = Float64Array.from(p.model.tops);
    for (const [fret, over] of more) tops[fret] = over;
    return { ...p, model: { ...p.model, tops } };
  };
  /** All frets read: their height, and how far it differs at some. */
  const measured = (
    height: number,
    off: Readonly<Record<number, number>>,
    more: Partial<Problem> = {},
  ): Problem => {
    const p = problem('steel-acoustic', SAFE);
    const frets = Array.from({ length: 20 }, (_, i) => {
      const top = height + (off[i + 1] ?? 0);
      return { fret: i + 1, bass: top, middle: top, treble: top, height: top };
    });
    const tops = Float64Array.from({ length: 21 }, (_, n) => (n === 0 ? 0 : (off[n] ?? 0)));
    return { ...p, frets, model: { ...p.model, tops }, ...more };
  };
  const named = (p: Problem, name: OperationId) => fretWays(p, NO_MOVES).ways.find((w) => w.name === name);
  const refusal = (p: Problem, id: OperationId) =>
    fretWays(p, NO_MOVES).refused.find((r) => r.operations.includes(id));

  test('nothing high: nothing to answer', () => {
    expect(fretWays(read([]), NO_MOVES)).toEqual({ ways: [stay('frets', NO_MOVES)], refused: [] });
  });

  test('from the rocker alone single frets come down by what they stand over, and metal is to be looked for', () => {
    const p = read([
      [9, 0.12],
      [14, 0.05],
    ]);
    const w = fretWays(p, { ...NO_MOVES, relief: 0.01 }).ways[1];
    expect(w).toMatchObject({
      name: 'fret-spot',
      warns: ['Fret heights were not read: whether there is metal to take must be looked at first.'],
      parts: [
        {
          operation: 'fret-spot',
          says: `Take down fret 9 by ${sizeWords(0.12)}, fret 14 by ${sizeWords(0.05)}.`,
          amounts: [
            { what: 'fret 9', amount: near(-0.12), unit: 'mm' },
            { what: 'fret 14', amount: near(-0.05), unit: 'mm' },
          ],
          removed: near(0.12),
          firstCut: 'mark, then short strokes; look again after each pass',
        },
      ],
    });
    expect(w?.moves.relief).toBe(0.01);
    expect(w?.moves.tops?.every((t) => Math.abs(t) < 1e-12)).toBe(true);
    const shop = { ...p, catalogue: OPERATIONS.filter((o) => o.id !== 'fret-spot') };
    expect(fretWays(shop, NO_MOVES).ways).toHaveLength(1);
  });

  test('a neck that is not straight is not levelled, until a move brings it in', () => {
    const bent = read([[9, 0.12]], { relief: 0.5 });
    const w = fretWays(bent, NO_MOVES);
    expect(w.ways).toEqual([stay('frets', NO_MOVES)]);
    expect(w.refused[0]).toMatchObject({
      group: 'frets',
      operations: ['fret-spot', 'fret-dress'],
      because: 'The neck is not straight yet: levelling now would file its bend into the frets.',
    });
    expect(fretWays(bent, { ...NO_MOVES, relief: -0.3 }).refused).toEqual([]);
    expect(fretWays({ ...bent, targets: new Map() }, NO_MOVES).refused).toEqual([]);
  });

  test('heights read: spots, level and new wire, each with what it takes off', () => {
    const p = measured(1, { 9: 0.1 });
    const l = { scale: p.model.construction.scale, frets: p.frets, minimumHeight: 0.6, newHeight: 1.1 };
    const spots = levelBy(l, 'spots');
    expect(named(p, 'fret-spot')?.parts[0]?.says).toBe(
      `Take down what rocks: ${spots.spots.length} places, ${sizeWords(Math.max(...spots.spots.map((s) => s.over)))} at most.`,
    );
    expect(named(p, 'fret-spot')?.parts[0]).toMatchObject({
      amounts: [{ what: 'off the frets, all together', amount: near(-spots.total), unit: 'mm' }],
      removed: near(0.1),
    });
    expect(named(p, 'fret-spot')?.moves.tops?.[9]).toBeCloseTo(0, 6);
    expect(named(p, 'fret-spot')?.moves.frets).toBe(0);
    const all = levelBy(l, 'level-all');
    const level = named(p, 'fret-dress');
    expect(level?.parts[0]?.says).toBe(
      `Level all: ${mm(all.total)} off in all, ${mm(Math.min(...all.frets.map((f) => f.left)))} left at the lowest; action and nut gaps rise by about ${mm(all.actionRise)}.`,
    );
    expect(level?.moves.tops?.every((t) => t === 0)).toBe(true);
    expect(level?.moves.frets).toBeCloseTo(all.actionRise, 9);
    const fresh = named(p, 'refret');
    expect(fresh?.parts[0]?.says).toBe('New wire for all, levelled.');
    const mean = (19 * 1 + 1.1) / 20;
    expect(fresh?.moves.frets).toBeLessThan(0.05 - (1.1 - mean));
    expect(named(p, 'fret-replace')).toBeUndefined();
    for (const w of fretWays(p, NO_MOVES).ways.slice(1))
      expect(w.parts[0]?.firstCut).toMatch(/^mark, then short/);
  });

  test('a high twelfth comes down under the string that is read there', () => {
    const p = measured(1, { 12: 0.1 });
    const l = { scale: p.model.construction.scale, frets: p.frets, minimumHeight: 0.6, newHeight: 1.1 };
    expect(named(p, 'fret-dress')?.moves.frets).toBeCloseTo(levelBy(l, 'level-all').actionRise - 0.1, 9);
  });

  test('some worn: new wire for those, where they are fewer than half', () => {
    const worn = Object.fromEntries([1, 2, 3].map((n) => [n, -0.45]));
    const p = measured(1, worn);
    expect(named(p, 'fret-replace')?.parts[0]?.says).toMatch(
      /^New wire for fret 1, fret 2, fret 3.*, then level/,
    );
    const most = measured(1, Object.fromEntries(Array.from({ length: 12 }, (_, i) => [i + 1, -0.45])));
    expect(named(most, 'fret-replace')).toBeUndefined();
    expect(refusal(p, 'fret-dress')?.because).toMatch(/frets? would end under 0.60 mm: \d/);
    expect(refusal(p, 'fret-dress')?.would).toBe('It would do if the lowest kept 0.60 mm after it.');
    expect(named(p, 'fret-dress')).toBeUndefined();
  });

  test('too dear is refused by its price, what is not offered is not spoken of', () => {
    const p = measured(1, { 9: 0.1 }, { worth: { amount: 20_000, share: 0.5, total: 1, thinUpTo: 80_000 } });
    expect(refusal(p, 'refret')?.because).toMatch(/over 50 % of what it is worth/);
    const shop = { ...p, catalogue: OPERATIONS.filter((o) => o.id !== 'refret') };
    expect(refusal(shop, 'refret')).toBeUndefined();
    expect(named(shop, 'refret')).toBeUndefined();
  });

  test('a rise that meets the string is answered though no single fret is high', () => {
    const rise = Object.fromEntries(Array.from({ length: 6 }, (_, i) => [15 + i, (i + 1) * 0.09]));
    const low = { ...measured(1, rise), touch: 'heavy' as const };
    const pressed = { ...low, model: { ...low.model, action: low.model.action.map(() => 0.9) } };
    expect(highFrets(pressed.model, pressed.model.tops, 0.2)).toEqual([]);
    const calm = { ...pressed, limits: { ...pressed.limits, highFret: 0.2 } };
    expect(fretWays(calm, NO_MOVES).ways.length).toBeGreaterThan(1);
    expect(fretWays({ ...calm, touch: null }, NO_MOVES).ways).toHaveLength(1);
  });
});
