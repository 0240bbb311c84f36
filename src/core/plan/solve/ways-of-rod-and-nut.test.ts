import type { Construction } from '../../instrument/construction.ts';
import { sizeWords } from '../../units/words-in.ts';
import { consequences } from '../../whatif/consequences.ts';
import { NO_MOVES } from '../../whatif/moves.ts';
import { OPERATIONS } from '../../catalogue/operations.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { USUAL_LIMITS } from '../plan-rules.ts';
import { nutWays } from './nut-ways.ts';
import { problem } from './problem-for-tests.ts';
import type { Problem } from './problem.ts';
import { rodWays } from './rod-ways.ts';
import type { Sizes, Ways } from './way.ts';

const near = (v: number) => expect.closeTo(v, 9) as number;
const now = (p: Problem) => consequences(p.model, NO_MOVES, p.ratio);
const named = (w: Ways, name: string) => {
  const way = w.ways.find((x) => x.name === name);
  if (!way) throw new Error(`${name} is not among ${w.ways.map((x) => x.name).join(', ')}`);
  return way;
};
const names = (w: Ways) => w.ways.map((x) => x.name);
const built = (p: Problem, c: Partial<Construction>): Problem => ({
  ...p,
  model: { ...p.model, construction: { ...p.model.construction, ...c } },
});
const without = (...ids: OperationId[]) => ({ catalogue: OPERATIONS.filter((o) => !ids.includes(o.id)) });

describe('the nut', () => {
  const along = (f: number) => 1 - 2 ** (-f / 12);
  const per = 1 / (1 - along(1) / along(2));
  const ways = (p: Problem, sizes?: Sizes) => nutWays(p, NO_MOVES, now(p), sizes);

  test('high slots are cut to their aims, low ones filled first or a new nut made', () => {
    const p = problem('steel-acoustic', { 'nut-gap:6:1': 0.3, 'nut-gap:5:1': 0.2, 'nut-gap:1:1': 0.02 });
    const w = ways(p);
    expect(names(w)).toEqual(['leave it', 'cut the slots', 'fill and cut', 'a new nut']);
    const [sixth, fifth, first] = [-0.2, -0.1, 0.08].map((v) => v * per) as [number, number, number];
    const cut = named(w, 'cut the slots');
    expect(cut.parts).toEqual([
      {
        operation: 'nut-slots',
        says: `Cut deeper: string 6 ${sizeWords(-sixth)}, string 5 ${sizeWords(-fifth)}.`,
        amounts: [
          { what: 'slot of string 6', amount: near(sixth), unit: 'mm' },
          { what: 'slot of string 5', amount: near(fifth), unit: 'mm' },
        ],
        removed: near(-sixth),
        firstCut: 'bring all nearly down, read the gaps, then finish one by one',
      },
    ]);
    expect(cut.moves.nut).toEqual([near(sixth), near(fifth), 0, 0, 0, 0]);
    const fill = named(w, 'fill and cut');
    expect(fill.parts.map((x) => [x.operation, x.says])).toEqual([
      ['nut-fill', `Fill and file to height: string 1 ${sizeWords(first)}.`],
      ['nut-slots', `Cut deeper: string 6 ${sizeWords(-sixth)}, string 5 ${sizeWords(-fifth)}.`],
    ]);
    expect(fill.moves.nut[5]).toBeCloseTo(first, 9);
    expect(fill.parts[0]?.removed).toBe(0);
    const fresh = named(w, 'a new nut');
    expect(fresh.parts).toEqual([
      {
        operation: 'nut-new',
        says: 'A new nut, every slot to its aim (1 are too deep).',
        amounts: [],
        removed: 0,
      },
    ]);
  });

  test('what stands at its aim is left, only low ones are only filled, and what is not offered is not said', () => {
    expect(ways(problem('steel-acoustic'))).toEqual({
      ways: [expect.objectContaining({ name: 'leave it' })],
      refused: [],
    });
    const low = ways(problem('steel-acoustic', { 'nut-gap:1:1': 0.02 }));
    expect(names(low)).toEqual(['leave it', 'fill and cut', 'a new nut']);
    expect(named(low, 'fill and cut').parts).toHaveLength(1);
    const shop = problem('steel-acoustic', { 'nut-gap:1:1': 0.02 }, {}, without('nut-new', 'nut-fill'));
    expect(names(ways(shop))).toEqual(['leave it']);
    const high = problem('steel-acoustic', { 'nut-gap:6:1': 0.3 }, {}, without('nut-slots'));
    expect(names(ways(high))).toEqual(['leave it']);
  });

  test('for every size those in their band join one by one, the next to its end first', () => {
    const p = problem('steel-acoustic', { 'nut-gap:6:1': 0.3, 'nut-gap:5:1': 0.14, 'nut-gap:4:1': 0.13 });
    const cuts = ways(p, 'every').ways.filter((w) => w.name === 'cut the slots');
    expect(cuts.map((w) => w.moves.nut.filter((v) => v !== 0).length)).toEqual([1, 2, 3]);
    expect(cuts[1]?.moves.nut[1]).toBeCloseTo(-0.04 * per, 9);
  });
});

describe('the rod', () => {
  const ways = (relief: number, more: Partial<Problem> = {}, c: Partial<Construction> = {}, sizes?: Sizes) =>
    rodWays({ ...built(problem('steel-acoustic', { relief }), c), ...more }, NO_MOVES, sizes);

  test('to its aim and to the ends of its band', () => {
    const w = ways(0.4);
    expect(names(w)).toEqual([
      'leave it',
      'rod to its aim',
      'rod to the straight side of its band',
      'rod to the deep side of its band',
    ]);
    expect(w.ways.slice(1).map((x) => x.moves.relief)).toEqual([near(-0.2), near(-0.24), near(-0.16)]);
    expect(named(w, 'rod to its aim').parts).toEqual([
      {
        operation: 'rod',
        says: `Relief ${sizeWords(0.4)} at the 7th: bring it to ${sizeWords(0.2)} (band ${sizeWords(0.15)}–${sizeWords(0.25)}). Tighten a quarter turn: about ${sizeWords(0.3)} expected; wait, read again.`,
        amounts: [
          { what: 'relief', amount: near(-0.2), unit: 'mm' },
          { what: 'turn', amount: 2, unit: 'eighths' },
        ],
        removed: 0,
      },
    ]);
  });

  test('in its band nothing is asked of it, unless every size is', () => {
    expect(names(ways(0.22))).toEqual(['leave it']);
    const wide = {
      targets: new Map([['relief:0:7', { low: 0.05, aim: 0.2, high: 0.3, layer: 'kind' as const }]]),
    };
    expect(ways(0.2, wide, {}, 'every').ways.map((x) => x.moves.relief)).toEqual([
      0,
      ...[1, 2, 3, 4, 5, 6, 7].map((n) => near(-0.02 * n)),
      ...[1, 2, 3, 4, 5].map((n) => near(0.02 * n)),
    ]);
    expect(names(ways(0.9, { targets: new Map() }))).toEqual(['leave it']);
    expect(names(ways(0.9, { judged: [] }))).toEqual(['leave it']);
  });

  test.each([
    ['the shop does not set rods', 0.4, without('rod'), {}, /does not do this work/, /catalogue/],
    ['there is none, nor warmth', 0.4, without('neck-heat'), { rod: 'none' }, /has no rod/, /^With a rod/],
    [
      'it is stuck',
      0.4,
      { ...without('neck-clamp', 'neck-heat'), rod: 'stuck' },
      {},
      /not forced/,
      /moved freely/,
    ],
    [
      'it is at its end',
      0.4,
      { ...without('neck-clamp', 'neck-heat'), rod: 'at-its-end' },
      {},
      /at its end: it is not turned further/,
      /thread left/,
    ],
    [
      'it cannot be reached and the neck is glued',
      0.4,
      { ...without('neck-clamp', 'neck-heat'), rod: 'unreachable' },
      { joint: 'glued' },
      /cannot be reached/,
      /all the way in/,
    ],
  ] as const)('refused where %s', (_what, relief, more, c, because, would) => {
    const w = ways(relief, more, c);
    expect(names(w)).toEqual(['leave it']);
    expect(w.refused.length).toBeGreaterThanOrEqual(1);
    expect(w.refused[0]).toMatchObject({ group: 'rod', operations: ['rod'] });
    expect(w.refused[0]?.because).toMatch(because);
    expect(w.refused[0]?.would).toMatch(would);
  });

  test('what is too far for a rod is brought nearer and read again', () => {
    expect(named(ways(0.8), 'rod to its aim')).toMatchObject({ moves: { relief: near(-0.6) }, warns: [] });
    const far = named(ways(1.1), 'rod to its aim');
    expect(far.moves.relief).toBeCloseTo(-0.6, 9);
    expect(far.warns[0]).toMatch(/at the most: then read again/);
  });

  test.each(['one-way', 'two-way'] as const)('a back-bow is loosened first, also with a %s rod', (rod) => {
    const back = named(ways(-0.1, {}, { rod }), 'rod to its aim');
    expect(back.moves.relief).toBeCloseTo(0.3, 9);
    expect(back.parts.at(-1)?.says).toMatch(/loosen first/);
  });

  test('a rod at its end may still be loosened', () => {
    expect(names(ways(0.02, { rod: 'at-its-end' }))).toContain('rod to its aim');
    expect(names(ways(0.02, { rod: 'stuck' }))).not.toContain('rod to its aim');
  });

  test('a nut at the heel, or one that cannot be reached on a bolted neck: the neck off first, the turn made blind', () => {
    for (const w of [
      ways(0.4, {}, { joint: 'bolted', rodNut: 'heel' }),
      ways(0.4, { rod: 'unreachable' }, { joint: 'bolted' }),
    ]) {
      const way = named(w, 'rod to its aim');
      expect(way.parts.map((x) => x.operation)).toEqual(['neck-off', 'rod']);
      expect(way.warns[0]).toMatch(/blind/);
    }
  });

  test('a rod that does nothing: clamp, then warmth, each judged after a week; no clamp alone without a rod', () => {
    const w = ways(0.4, { rod: 'stuck' });
    expect(w.ways.slice(1).map((x) => x.parts.map((y) => y.operation))).toEqual([
      ['neck-clamp', 'neck-settle'],
      ['neck-heat', 'neck-settle'],
    ]);
    const none = ways(0.4, {}, { rod: 'none' });
    expect(names(none)).toEqual(['leave it', 'warm it, clamp it and let it settle']);
    expect(none.refused.some((r) => r.because.includes('a clamp alone does not last'))).toBe(true);
    expect(w.ways[2]?.parts[0]?.says).not.toContain('taken up');
    expect(ways(0.4, { rod: 'at-its-end' }).ways[2]?.parts[0]?.says).toContain('The rod is taken up');
    const far = ways(1, { rod: 'stuck' });
    expect(names(far)).toEqual(['leave it']);
    expect(far.refused.some((r) => r.because.includes('beyond a setup'))).toBe(true);
  });

  test('a neck that only lies flat is neither clamped nor warmed; a back-bow is not clamped into a deeper one', () => {
    const says = (relief: number, rod: 'none' | 'one-way', words: string) => {
      const w = ways(relief, { rod: 'stuck' }, { rod });
      expect(names(w)).toEqual(['leave it']);
      expect(w.refused.some((r) => r.because.includes(words))).toBe(true);
    };
    says(0.02, 'one-way', 'its own target for the relief');
    says(0.02, 'none', 'it stays as it is');
    says(0.29, 'one-way', 'too little to clamp or warm');
    // From how much on is the shop's to say.
    const eager = { limits: { ...USUAL_LIMITS, clamp: { low: 0.01, high: 0.6 } } };
    expect(names(ways(0.29, { rod: 'stuck', ...eager }))).toContain('clamp it and let it settle');
    says(0.29, 'none', 'it stays as it is');
    const back = ways(-0.2, { rod: 'stuck' });
    expect(names(back)).toEqual(['leave it', 'warm it, clamp it and let it settle']);
    expect(back.ways[1]?.parts[0]?.says).toContain('bent into relief in the clamp');
  });
});
