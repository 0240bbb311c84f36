import { usualConstruction } from '../instrument/defaults.ts';
import { fretPosition } from '../neck/fret-position.ts';
import { input } from '../plan/plan-input-for-tests.ts';
import type { Reading } from '../readings/reading.ts';
import { handFor, mapOfNeck, tightest } from './clearance-map.ts';
import { breakAngleAfter, consequences } from './consequences.ts';
import { isStill, NO_MOVES, withString, type Moves } from './moves.ts';
import { neckModel, type ModelSource, type NeckModel } from './neck-model.ts';

const source = (
  set: Readonly<Record<string, number | null>> = {},
  more: Readonly<Record<string, number>> = {},
): ModelSource => {
  const plan = input('steel-acoustic', set);
  const extra = Object.entries(more).map(([key, value]): [string, Reading] => {
    const [quantity = '', string = '0', fret = '0'] = key.split(':');
    const usual = { round: 'as-found', takenAt: 0, notRepresentative: null } as const;
    return [
      key,
      {
        key,
        quantity: quantity as Reading['quantity'],
        string: Number(string),
        fret: Number(fret),
        value,
        ...usual,
      },
    ];
  });
  return { ...plan, readings: new Map([...plan.readings, ...extra]), set: undefined };
};
const model = (...args: Parameters<typeof source>): NeckModel => {
  const made = neckModel(source(...args));
  if (!made) throw new Error('no action');
  return made;
};
const move = (m: Partial<Moves>): Moves => ({ ...NO_MOVES, ...m });
const at = (list: ArrayLike<number | null>, i: number): number => list[i] ?? NaN;

describe('a neck as it was read', () => {
  test('strings between the outer ones lie on the line between them, but for those that were read', () => {
    const m = model({ 'action:6:12': 3, 'action:1:12': 2 }, { 'action:4:12': 2.9 });
    const expected = [3, 2.8, 2.9, 2.4, 2.2, 2];
    m.action.forEach((a, i) => expect(a).toBeCloseTo(expected[i] ?? NaN, 12));
    expect(m.assumed).toEqual([]);
  });

  test.each([
    ['bass', { 'action:6:12': null, 'action:1:12': 2.1 }],
    ['treble', { 'action:6:12': 2.1, 'action:1:12': null }],
  ])('without the %s side the other one stands for both', (_side, set) => {
    const m = model(set);
    m.action.forEach((a) => expect(a).toBe(2.1));
    expect(m.assumed).toEqual(['action of the other side']);
  });

  test('a gap is the slot’s height over its share lying on the second fret; without one the aim', () => {
    const along = (f: number) => 1 - 2 ** (-f / 12);
    const slot = (gap: number) => gap / (1 - along(1) / along(2));
    const m = model({ 'nut-gap:6:1': 0.2, 'nut-gap:5:1': null });
    expect(at(m.nut, 0)).toBeCloseTo(slot(0.2), 9);
    expect(at(m.nut, 1)).toBeCloseTo(slot(0.1), 9);
    expect(m.assumed).toEqual(['nut gaps']);
    const bare = neckModel({ ...source({ 'nut-gap': null, relief: null }), targets: new Map() });
    expect(at(bare?.nut ?? [], 3)).toBeCloseTo(slot(0.1), 9);
    expect(bare?.relief).toBe(0.2);
    expect(bare?.assumed).toEqual(['nut gaps', 'relief']);
  });

  test('every further reading is taken over, stale ones are not', () => {
    const more = {
      'contact:6:0': 1.5,
      'contact:1:0': 0.5,
      'break-angle:0:0': 20,
      'bridge-thickness:0:0': 9,
      'slot-depth:0:0': 5,
      'saddle-thickness:0:0': 3,
      'neck-angle:0:0': 0.4,
      'fret-rock:0:9': 0.1,
      'fret-rock:0:5': 0.05,
    };
    const m = model({ 'saddle-standout': 4, 'intonation:6:12': 3 }, more);
    expect(m).toMatchObject({
      standout: 4,
      breakAngle: 20,
      bridge: 9,
      slotDepth: 5,
      saddleThickness: 3,
      plane: 0.4,
      contact: [1.5, null, null, null, null, 0.5],
      cents: [3, 0, 0, 0, 0, 0],
    });
    expect([m.tops[5], m.tops[9]]).toEqual([0.05, 0.1]);
    const stale = new Set(['fret-rock:0:9', 'break-angle:0:0']);
    const old = neckModel({ ...source({}, more), stale });
    expect([old?.tops[5], old?.tops[9], old?.breakAngle]).toEqual([0.05, 0, null]);
  });

  test('the set and the pitch that are on decide the pull', () => {
    const c = usualConstruction('steel-acoustic');
    const low = c.strings.map((s) => ({ ...s, note: 'E2' }));
    const own = model();
    const other = neckModel({ ...source(), set: low });
    expect(at(other?.pull ?? [], 0)).toBeCloseTo(at(own.pull, 0), 9);
    expect(at(other?.pull ?? [], 5)).toBeCloseTo(at(own.pull, 5) / 16, 9);
    const flat = neckModel({ ...source(), pitch: 415 });
    expect(at(flat?.pull ?? [], 2) / at(own.pull, 2)).toBeCloseTo((415 / 440) ** 2, 9);
  });

  test('an instrument of one string has one height', () => {
    const c = { ...usualConstruction('steel-acoustic') };
    const one = { ...c, strings: c.strings.slice(0, 1) };
    const m = neckModel({ ...source({ 'action:1:12': 1.9 }), construction: one });
    expect([...(m?.action ?? [])]).toEqual([1.9]);
    if (!m) throw new Error('no action');
    const o = consequences(m, move({ bass: 1, treble: 9 }));
    expect(at(o.saddleMove, 0)).toBe(1);
  });
});

describe('what follows', () => {
  test('each string rises with its place between bass and treble, its own trim, and what came off the bridge', () => {
    const m = model();
    const c = m.construction;
    const k = fretPosition(c.scale, 12) / (c.scale + c.compensation);
    const o = consequences(m, move({ bass: 0.5, treble: 1, trim: withString([], 2, 0.3, 6), thin: 0.4 }));
    const up = [0.1, 0.2, 0.6, 0.4, 0.5, 0.6];
    for (let i = 0; i < 6; i++) {
      expect(at(o.saddleMove, i)).toBeCloseTo(up[i] ?? NaN, 12);
      expect(at(o.action, i) - at(m.action, i)).toBeCloseTo((up[i] ?? NaN) * k, 12);
    }
  });

  test('a contact goes where it is moved from where it was read', () => {
    const m = model({}, { 'contact:6:0': 1.5 });
    const o = consequences(m, move({ contact: [0.5, 0.7] }));
    expect(o.contact).toEqual([2, null, null, null, null, null]);
    expect(consequences(m, NO_MOVES).contact[0]).toBe(1.5);
  });

  test('a contact moved by m turns what was read into the ratio of the new lengths', () => {
    const m = model({ 'intonation:6:12': 4, 'intonation:5:12': null });
    const c = m.construction;
    const xs = c.scale + c.compensation;
    const x12 = fretPosition(c.scale, 12);
    const o = consequences(m, move({ contact: [1.2, 1.2] }));
    const turned = 1200 * Math.log2((xs + 1.2) / (xs - x12 + 1.2) / (xs / (xs - x12)));
    expect(o.cents[0]).toBeCloseTo(4 + turned, 6);
    expect(o.cents[1]).toBeNull();
    const still = consequences(m, NO_MOVES);
    expect((o.predicted[0] ?? NaN) - (still.predicted[0] ?? NaN)).toBeCloseTo(turned, 6);
  });

  test('of a string nobody can name, or of another make than was read, only what was read and moved is said', () => {
    const m = model({ 'intonation:6:12': 4, 'intonation:5:12': 4, 'intonation:4:12': 4 });
    const [low, , third] = m.construction.strings;
    if (!low || !third) throw new Error('no strings');
    const strings = m.construction.strings.map((s, i) =>
      i === 0 ? { ...s, note: '?' } : i === 1 ? { ...s, wound: !s.wound } : s,
    );
    const o = consequences(m, move({ strings, bass: 1, treble: 1 }));
    expect(o.predicted.slice(0, 2)).toEqual([null, null]);
    expect(o.cents.slice(0, 2)).toEqual([4, 4]);
    expect(o.predicted[2]).not.toBeNull();
    expect(o.cents[2]).not.toBe(4);
    const fewer = consequences(m, move({ strings: strings.slice(0, 3) }));
    expect(fewer.predicted.slice(3)).toEqual([null, null, null]);
  });

  test.each([
    ['nothing was read behind the saddle', {}, null],
    ['no bridge was measured', { 'slot-depth:0:0': 5 }, null],
    ['no slot was measured', { 'bridge-thickness:0:0': 9 }, null],
    ['both were', { 'bridge-thickness:0:0': 9, 'slot-depth:0:0': 5 }, 3.5],
  ] as const)('under the slot, where %s', (_what, more, floor) => {
    const o = consequences(model({}, more), move({ thin: 0.5 }));
    expect(o.floor).toBe(floor);
  });

  test('the break angle stays what was read where it cannot be worked out anew', () => {
    const m = { ...model(), standout: 4, breakAngle: 30 };
    expect(breakAngleAfter(m, 2)).toBeCloseTo((Math.atan(Math.tan(Math.PI / 6) / 2) * 180) / Math.PI, 9);
    expect(breakAngleAfter(m, null)).toBe(30);
    expect(breakAngleAfter({ ...m, standout: null }, 2)).toBe(30);
    expect(breakAngleAfter({ ...m, standout: 0 }, 2)).toBe(30);
    expect(breakAngleAfter({ ...m, standout: -1 }, 2)).toBe(30);
    expect(breakAngleAfter({ ...m, breakAngle: null }, 2)).toBeNull();
    expect(consequences({ ...m, standout: null }, move({ bass: 1, treble: 1 })).standout).toBeNull();
  });

  test('anything at all that is tried is something tried', () => {
    expect(isStill(move({ tops: [0, 0] }))).toBe(false);
    expect(isStill(move({ trim: [0, 0.1] }))).toBe(false);
    expect(isStill(move({ contact: [0.1] }))).toBe(false);
    expect(isStill(move({ nut: [0, 0], trim: [0], contact: [0] }))).toBe(true);
    expect(withString([1, 2], 3, 9, 5)).toEqual([1, 2, 0, 9, 0]);
  });
});

describe('the map of a neck', () => {
  test('a nylon string is let go closer to the board, a fifth of the scale from the saddle', () => {
    const steel = model();
    const hand = handFor(steel, 'medium');
    const soft = handFor({ ...steel, construction: { ...steel.construction, kind: 'nylon' } }, 'medium');
    expect(soft.share / hand.share).toBeCloseTo(1.2, 12);
    expect(hand.pluck).toBeCloseTo(steel.construction.scale / 5, 12);
    const twice = { ...steel, pull: steel.pull.map((p) => 2 * p) };
    expect(handFor(twice, 'light').force).toBeCloseTo(2 * handFor(steel, 'light').force, 12);
    expect(handFor({ ...steel, pull: Float64Array.of(75) }, 'heavy').force).toBeCloseTo(0.0153 * 75, 12);
  });

  test('the tightest place is the least margin among the positions that count, the first of equals', () => {
    const map = (margin: number[]) => ({
      margin: Float64Array.from(margin),
      still: Float64Array.from(margin, (v) => v + 1),
      fret: Int32Array.from(margin, (_, n) => n + 1),
      excursion: new Float64Array(margin.length),
    });
    const maps = [map([3, 2, 0.5]), map([2, 2, 0.1])] as unknown as Parameters<typeof tightest>[0];
    expect(tightest(maps, 2)).toEqual({ string: 0, held: 1, fret: 2, margin: 2, still: 3 });
    expect(tightest(maps)).toEqual({ string: 1, held: 2, fret: 3, margin: 0.1, still: 1.1 });
    expect(tightest(maps, 99)).toEqual(tightest(maps));
    expect(tightest(maps, 0)).toBeNull();
    expect(tightest([])).toBeNull();
  });

  test('every string is judged by its own height and pull', () => {
    const m = model();
    const o = consequences(m, NO_MOVES);
    const hand = handFor(m, 'medium');
    const [low] = mapOfNeck({ ...m }, o, hand);
    const tight = { ...o, pull: o.pull.map((p, i) => (i === 0 ? p * 4 : p)) };
    const [stiff, other] = mapOfNeck(m, tight, hand);
    expect(at(stiff?.margin ?? [], 2)).toBeGreaterThan(at(low?.margin ?? [], 2));
    expect(other?.margin).toEqual(mapOfNeck(m, o, hand)[1]?.margin);
  });
});
