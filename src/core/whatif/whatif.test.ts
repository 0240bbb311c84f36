import fc from 'fast-check';
import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS, type Kind } from '../instrument/kinds.ts';
import { predictedCents } from '../intonation/predicted.ts';
import { fretPosition } from '../neck/fret-position.ts';
import { rodToAction } from '../neck/rod-to-action.ts';
import { shim } from '../neck/shim.ts';
import { nutSlot } from '../nut/nut-slot.ts';
import { actionAt } from '../readings/methods.ts';
import { fretTopsOver } from '../readings/fret-tops.ts';
import { saddleHeight } from '../saddle/saddle-height.ts';
import { noteFrequency } from '../strings/pitch.ts';
import { pulls } from '../strings/string-pull.ts';
import { stringTension, unitMass } from '../strings/unit-mass.ts';
import { input } from '../plan/plan-input-for-tests.ts';
import { seeded } from '../seeded.ts';
import { buzzChance, normals, spreadOf } from './buzz-chance.ts';
import { handFor, lowestAction, mapOfNeck, roomOf, tightest } from './clearance-map.ts';
import { actionOver, consequences } from './consequences.ts';
import { isStill, NO_MOVES, withString, type Moves } from './moves.ts';
import { neckModel, type NeckModel } from './neck-model.ts';

function model(kind: Kind, set: Readonly<Record<string, number | null>> = {}): NeckModel {
  const made = neckModel({ ...input(kind, set), set: undefined });
  if (made === null) throw new Error('no action');
  return made;
}

const at = (list: ArrayLike<number>, i: number): number => list[i] ?? NaN;
const move = (m: Partial<Moves>): Moves => ({ ...NO_MOVES, ...m });

describe('nothing tried', () => {
  test.each(KINDS)('%s stands as it was read', (kind) => {
    const m = model(kind, { relief: 0.31 });
    const o = consequences(m, NO_MOVES);
    expect(o.relief).toBe(0.31);
    expect(Array.from(o.action)).toEqual(Array.from(m.action));
    o.gap.forEach((g, i) => expect(g).toBeCloseTo(at(m.nut, i) / nutSlot(2, 0, 0).perGap, 12));
    expect(o.cents).toEqual(m.cents);
    expect(o.pullChange.change).toBe(0);
    expect(actionOver(m, o, 0, 12)).toBeCloseTo(at(m.action, 0), 12);
  });

  test('the action at any fret is that of the readings’ own sum', () => {
    const m = model('steel-acoustic', { relief: 0.3 });
    const o = consequences(m, NO_MOVES);
    for (const fret of [1, 5, 9, 14, 17, 20]) {
      const nut = at(m.nut, 0);
      const said = actionAt(m.construction, at(m.action, 0), fret, { nut, relief: 0.3 });
      expect(actionOver(m, o, 0, fret)).toBeCloseTo(said, 9);
    }
  });

  test('without an action there is no string to draw; what else is missing is said', () => {
    expect(neckModel({ ...input('bass', { action: null }), set: undefined })).toBeNull();
    const m = model('bass', { 'action:1:12': null, relief: null, 'nut-gap': null });
    expect(m.assumed).toEqual(['action of the other side', 'nut gaps', 'relief']);
    expect(at(m.action, 3)).toBe(at(m.action, 0));
  });

  test('a stale reading is not used', () => {
    const plan = input('ukulele', { relief: 0.4 });
    const m = neckModel({ ...plan, set: undefined, stale: new Set(['relief:0:7']) });
    expect(m?.relief).toBe(0.05);
    expect(m?.assumed).toEqual(['relief']);
  });
});

describe('each consequence is that of its sum', () => {
  const m = model('steel-acoustic', { relief: 0.35, 'break-angle': null });
  const c = m.construction;
  const xs = c.scale + c.compensation;

  test('the rod', () => {
    const o = consequences(m, move({ relief: -0.15 }));
    expect(o.relief).toBeCloseTo(0.2, 12);
    const { actionChange } = rodToAction(c.scale, c.bodyFret, -0.15, 12, 1.65);
    expect(at(o.action, 0) - at(m.action, 0)).toBeCloseTo(actionChange, 12);
  });

  test('a nut slot: the gap comes to its target', () => {
    const gap = at(m.nut, 2) / nutSlot(2, 0, 0).perGap;
    const { deeper } = nutSlot(2, gap, 0.05);
    const o = consequences(m, move({ nut: withString([], 2, -deeper, 6) }));
    expect(at(o.gap, 2)).toBeCloseTo(0.05, 12);
    expect(at(o.gap, 1)).toBe(at(consequences(m, NO_MOVES).gap, 1));
    expect(at(o.action, 2) - at(m.action, 2)).toBeCloseTo(-deeper * (1 - fretPosition(c.scale, 12) / xs), 12);
  });

  test('the saddle: its change brings the action to what was wanted, on both sides', () => {
    const bass = saddleHeight(c.scale, 12, at(m.action, 0), 2, c.compensation).change;
    const treble = saddleHeight(c.scale, 12, at(m.action, 5), 1.6, c.compensation).change;
    const o = consequences(m, move({ bass, treble }));
    expect(at(o.action, 0)).toBeCloseTo(2, 12);
    expect(at(o.action, 5)).toBeCloseTo(1.6, 12);
    expect(o.standout).toBeCloseTo((m.standout ?? NaN) + (bass + treble) / 2, 12);
  });

  test('a shim: strings come down at the 12th by the shim’s own sum', () => {
    const place = { scale: c.scale, compensation: c.compensation, lip: 410, end: 480, fret: 12 };
    const s = shim(place, 0.1, 0.6);
    const o = consequences(m, move({ tilt: s.saddleDrop }));
    expect(at(o.action, 3) - at(m.action, 3)).toBeCloseTo(s.actionChange, 12);
    expect(o.standout).toBe(m.standout);
  });

  test('frets levelled by f: action and slot heights rise by f', () => {
    const o = consequences(m, move({ frets: 0.08 }));
    expect(at(o.action, 4) - at(m.action, 4)).toBeCloseTo(0.08, 12);
    expect(at(o.nut, 4) - at(m.nut, 4)).toBeCloseTo(0.08, 12);
  });

  test('a high fret taken down at the 12th lets the action rise by as much', () => {
    const high = { ...m, tops: Float64Array.from(m.tops, (_, n) => (n === 12 ? 0.1 : 0)) };
    const o = consequences(high, move({ tops: Array.from(m.tops, () => 0) }));
    expect(at(o.action, 0) - at(m.action, 0)).toBeCloseTo(0.1, 12);
    expect(at(o.saddle, 0)).toBeCloseTo(at(consequences(high, NO_MOVES).saddle, 0), 12);
  });

  test('break angle and slot floor follow saddle and bridge', () => {
    const cut = { ...m, standout: 4, breakAngle: 30, bridge: 9, slotDepth: 5 };
    const o = consequences(cut, move({ bass: -2, treble: -2, thin: 1 }));
    expect(o.breakAngle).toBeCloseTo((Math.atan(0.5 * Math.tan(Math.PI / 6)) * 180) / Math.PI, 9);
    expect(o.floor).toBe(3);
    expect(consequences(m, NO_MOVES).floor).toBeNull();
  });

  test('a contact moved back flattens the fretted note; a lower action too', () => {
    const back = consequences(m, move({ contact: withString([], 0, 1, 6) }));
    expect(back.cents[0]).toBeLessThan(0);
    expect(back.cents[1]).toBe(0);
    const low = consequences(m, move({ bass: -1, treble: -1 }));
    expect(low.cents[5]).toBeLessThan(0);
  });

  test('what the strings alone predict is the sum of predicted intonation, at the heights tried', () => {
    const o = consequences(m, move({ bass: 0.8, treble: 0.8 }));
    const [low] = c.strings;
    const [said] = predictedCents(
      {
        scale: c.scale,
        compensation: c.compensation,
        string: { kind: 'wound', gauge: low?.gauge ?? 0, frequency: 82.4069 },
        nut: at(o.nut, 0),
        saddle: at(o.saddle, 0),
        relief: o.relief,
        pressDepth: 0.25,
      },
      [12],
    );
    expect(o.predicted[0]).toBeCloseTo(said?.total ?? NaN, 3);
    expect(o.predicted[0]).toBeGreaterThan(consequences(m, NO_MOVES).predicted[0] ?? NaN);
  });

  test('another tuning changes the pull by the square of the pitch', () => {
    const down = c.strings.map((s) => ({
      ...s,
      note: s.note.replace(/(\d)$/, (d) => String(Number(d) - 1)),
    }));
    const o = consequences(m, move({ strings: down }));
    o.pull.forEach((p, i) => expect(p / at(m.pull, i)).toBeCloseTo(0.25, 9));
    expect(o.pullChange.relief).toBe('less');
  });
});

test('moves add up, and taking them back brings everything back', () => {
  const small = fc.double({ min: -0.5, max: 0.5, noNaN: true });
  fc.assert(
    fc.property(fc.constantFrom(...KINDS), small, small, small, small, (kind, relief, bass, treble, tilt) => {
      const m = model(kind);
      const both = consequences(m, move({ relief, bass, treble, tilt }));
      const one = consequences(m, move({ relief, tilt }));
      const other = consequences(m, move({ bass, treble }));
      both.action.forEach((a, i) =>
        expect(a - at(m.action, i)).toBeCloseTo(
          at(one.action, i) + at(other.action, i) - 2 * at(m.action, i),
          9,
        ),
      );
    }),
  );
  expect(isStill(NO_MOVES)).toBe(true);
  expect(isStill(move({ nut: [0, -0.1] }))).toBe(false);
  expect(isStill(move({ strings: [] }))).toBe(false);
});

describe('pull of a string', () => {
  test('plain and wound steel as the sum says', () => {
    const c = usualConstruction('steel-acoustic');
    const [low] = c.strings;
    const note = noteFrequency('E2');
    const said = stringTension(
      unitMass({ kind: 'wound', gauge: low?.gauge ?? 0 }),
      c.scale + c.compensation,
      note.ok ? note.value : 0,
    );
    expect(at(pulls(c), 0)).toBeCloseTo(said, 9);
  });

  test('nylon sets pull less than steel, and a note nobody can read is taken as usual', () => {
    const total = (kind: Kind) => pulls(usualConstruction(kind)).reduce((a, b) => a + b, 0);
    expect(total('nylon')).toBeGreaterThan(300);
    expect(total('nylon')).toBeLessThan(500);
    const c = usualConstruction('bass');
    expect(at(pulls(c, [{ note: '?', gauge: 1, wound: false }]), 0)).toBe(75);
  });
});

describe('clearance of a neck', () => {
  test('a high fret is met by what is held behind it', () => {
    const m = model('solid-electric');
    const tops = fretTopsOver(22, [{ quantity: 'fret-rock', fret: 9, value: 0.4 }]);
    const high = { ...m, tops };
    const worst = tightest(mapOfNeck(high, consequences(high, NO_MOVES), handFor(high, 'light')), 21);
    expect(worst?.fret).toBe(9);
    expect(worst?.held).toBe(8);
    expect(roomOf(worst?.margin ?? 0, worst?.still ?? 0)).toBe('choked');
  });

  test.each(KINDS)('%s at its aims: clear for a light hand; a heavy one wants it higher', (kind) => {
    const m = model(kind);
    const o = consequences(m, NO_MOVES);
    const light = tightest(mapOfNeck(m, o, handFor(m, 'light')), m.construction.frets - 1);
    expect(light?.margin).toBeGreaterThan(0);
    const lowest = (['light', 'medium', 'heavy'] as const).map(
      (t) => lowestAction(m, NO_MOVES, handFor(m, t))?.change ?? NaN,
    );
    expect(lowest[0]).toBeLessThan(lowest[1] ?? NaN);
    expect(lowest[1]).toBeLessThan(lowest[2] ?? NaN);
  });

  test('the lowest action just clears, and a hair lower does not', () => {
    const m = model('bass');
    const hand = handFor(m, 'medium');
    const low = lowestAction(m, NO_MOVES, hand);
    expect(low).not.toBeNull();
    const saddle =
      (low?.change ?? 0) *
      ((m.construction.scale + m.construction.compensation) / fretPosition(m.construction.scale, 12));
    const worst = (by: number) =>
      tightest(mapOfNeck(m, consequences(m, move({ bass: by, treble: by })), hand), m.construction.frets - 1)
        ?.margin ?? 0;
    expect(worst(saddle)).toBeGreaterThanOrEqual(-1e-9);
    expect(worst(saddle - 0.01)).toBeLessThan(0);
  });

  test('a given force replaces the touch, and an impossible one has no lowest action', () => {
    const m = model('ukulele');
    expect(handFor(m, 'light', 3).force).toBe(3);
    expect(lowestAction(m, NO_MOVES, handFor(m, 'light', 60))).toBeNull();
  });

  test.each([
    [0.1, 0.2, 'clear'],
    [0.03, 0.2, 'clear'],
    [0.02, 0.2, 'close'],
    [-0.01, 0.2, 'buzz'],
    [-0.3, 0, 'choked'],
  ])('margin %d over a gap of %d is %s', (margin, still, room) => {
    expect(roomOf(margin, still)).toBe(room);
  });
});

describe('the chance of a buzz', () => {
  const m = model('solid-electric');
  const hand = handFor(m, 'medium');
  const sure = { relief: 0, action: 0, nut: 0, tops: 0, force: 0 };

  test('with nothing left open it is yes or no, as the map says', () => {
    const maps = mapOfNeck(m, consequences(m, NO_MOVES), hand);
    const { chance } = buzzChance(m, NO_MOVES, hand, sure, { draws: 5 });
    maps.forEach((map, i) =>
      map.margin.forEach((v, held) => expect(at(chance[i] ?? [], held)).toBe(v < 0 ? 1 : 0)),
    );
  });

  test('the same seed gives the same, another one nearly so', () => {
    const spread = spreadOf(input('solid-electric').readings);
    const one = buzzChance(m, NO_MOVES, hand, spread, { draws: 800, seed: 7 });
    expect(buzzChance(m, NO_MOVES, hand, spread, { draws: 800, seed: 7 })).toEqual(one);
    const other = buzzChance(m, NO_MOVES, hand, spread, { draws: 800, seed: 8 });
    expect(Math.abs(other.anywhere - one.anywhere)).toBeLessThan(0.12);
    expect(other.anywhere).not.toBe(one.anywhere);
  });

  test('with one thing open it is the normal curve at the margin', () => {
    const spread = { ...sure, force: 0.2 };
    const { chance } = buzzChance(m, NO_MOVES, hand, spread, { draws: 20_000, seed: 3 });
    // The force at which this place just touches, in deviations from the hand's: the margin falls in proportion to it.
    const still = (force: number) =>
      mapOfNeck(m, consequences(m, NO_MOVES), { ...hand, force })[4]?.margin[1] ?? NaN;
    let [low, high] = [0, 20];
    while (high - low > 1e-9) {
      const middle = (low + high) / 2;
      if (still(middle) < 0) high = middle;
      else low = middle;
    }
    const z = (low / hand.force - 1) / 0.2;
    const random = normals(seeded(99));
    let over = 0;
    for (let i = 0; i < 200_000; i++) if (random() > z) over++;
    expect(Math.abs(at(chance[4] ?? [], 1) - over / 200_000)).toBeLessThan(0.015);
  });

  test('the gauges’ own uncertainty is used where it is known', () => {
    const plan = input('bass');
    const relief = plan.readings.get('relief:0:7');
    if (!relief) throw new Error('no relief');
    const readings = new Map(plan.readings).set('relief:0:7', { ...relief, uncertainty: 0.042 });
    expect(spreadOf(readings).relief).toBe(0.042);
    expect(spreadOf(readings).action).toBeCloseTo(0.02 / Math.sqrt(12), 12);
  });

  test('the normal numbers have mean 0 and deviation 1', () => {
    const next = normals(seeded(5));
    const all = Array.from({ length: 40_000 }, next);
    const mean = all.reduce((a, b) => a + b, 0) / all.length;
    const variance = all.reduce((a, b) => a + (b - mean) ** 2, 0) / all.length;
    expect(Math.abs(mean)).toBeLessThan(0.02);
    expect(Math.abs(variance - 1)).toBeLessThan(0.03);
  });
});
