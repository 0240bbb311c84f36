import fc from 'fast-check';
import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS, type Kind } from '../instrument/kinds.ts';
import { fretPosition } from '../neck/fret-position.ts';
import { stationsOf } from '../readings/stations.ts';
import { noteFrequency } from '../strings/pitch.ts';
import { stringMake } from '../strings/string-pull.ts';
import { resolveTarget } from '../targets/resolve.ts';
import { SHIPPED_TARGETS } from '../targets/shop-targets.ts';
import { consequences } from '../whatif/consequences.ts';
import { NO_MOVES } from '../whatif/moves.ts';
import { neckModel } from '../whatif/neck-model.ts';
import { unitMass } from '../strings/unit-mass.ts';
import { compensationFor12, predictedCents, stiffnessFactor, type FrettedString } from './predicted.ts';

const FIRST: FrettedString = {
  scale: 648,
  compensation: 0,
  string: { kind: 'plain', gauge: 0.305, frequency: 329.628 },
  nut: 0.5,
  saddle: 3.5,
  relief: 0,
  pressDepth: 0,
};
const FLAT = { ...FIRST, nut: 0, saddle: 0 };
const FRETS = [1, 3, 5, 7, 12, 17, 20];

describe('predictedCents in the limits', () => {
  test('no height, no stretch', () => {
    for (const c of predictedCents(FLAT, FRETS)) expect(c.stretch).toBeCloseTo(0, 12);
  });

  test('no modulus, neither stretch nor stiffness', () => {
    for (const c of predictedCents({ ...FIRST, string: { ...FIRST.string, modulus: 0 } }, FRETS)) {
      expect(c.stretch).toBe(0);
      expect(c.stiffness).toBe(0);
    }
  });

  test('no compensation, nothing from the length; with it, the ratio of lengths', () => {
    for (const c of predictedCents(FIRST, FRETS)) expect(c.length).toBeCloseTo(0, 9);
    for (const c of predictedCents({ ...FIRST, compensation: 2 }, FRETS)) {
      const xn = fretPosition(648, c.fret);
      expect(c.length).toBeCloseTo(1200 * Math.log2(650 / (650 - xn) / 2 ** (c.fret / 12)), 9);
    }
  });

  test('the causes add up', () => {
    for (const c of predictedCents({ ...FIRST, compensation: 2, relief: 0.2, pressDepth: 0.3 }, FRETS)) {
      expect(c.total).toBeCloseTo(c.stretch + c.stiffness + c.length, 12);
    }
  });
});

describe('predictedCents against direct frequencies', () => {
  /** Frequency of the lowest mode of a stretched stiff string, one end held fast, from its own figures. */
  const frequency = (lengthMm: number, tension: number, mass: number, EI: number) => {
    const l = lengthMm / 1000;
    const b = Math.sqrt(EI / tension) / l;
    return (Math.sqrt(tension / mass) / (2 * l)) * (1 + b + (1 + Math.PI ** 2 / 2) * b * b);
  };

  test('stretch and length alone follow from tension and length', () => {
    const s = { ...FIRST, compensation: 1.7 };
    const mass = unitMass(s.string);
    const xs = 649.7;
    const tension = mass * (2 * (xs / 1000) * s.string.frequency) ** 2;
    const d = 0.305e-3;
    const EA = (2.05e11 * Math.PI * d ** 2) / 4;
    const open = Math.hypot(xs, 3);
    for (const c of predictedCents(s, FRETS)) {
      const xn = fretPosition(648, c.fret);
      const path = Math.hypot(xn, 0.5) + Math.hypot(xs - xn, 3.5);
      const pulled = tension + (EA * (path - open)) / (open + 130);
      const ratio = frequency(xs - xn, pulled, mass, 0) / frequency(xs, tension, mass, 0);
      expect(c.stretch + c.length).toBeCloseTo(1200 * Math.log2(ratio) - 100 * c.fret, 8);
    }
  });

  test('with relief and a finger that pushes behind the fret, the path is the sum of its straight pieces', () => {
    const s = { ...FIRST, compensation: 1.7, relief: 0.3, pressDepth: 0.4 };
    const xs = 649.7;
    const x = (n: number) => 648 * (1 - 2 ** (-n / 12));
    const [p, q] = [x(1), x(14)];
    const tension = unitMass(s.string) * (2 * (xs / 1000) * s.string.frequency) ** 2;
    const EA = (2.05e11 * Math.PI * 0.305e-3 ** 2) / 4;
    for (const c of predictedCents(s, [1, 2, 5, 9, 14, 17])) {
      const xn = x(c.fret);
      const dip = xn > p && xn < q ? (0.3 * 4 * (xn - p) * (q - xn)) / (q - p) ** 2 : 0;
      const finger = (x(c.fret - 1) + xn) / 2;
      const path =
        Math.hypot(finger, 0.5 + dip + 0.4) + Math.hypot(xn - finger, 0.4) + Math.hypot(xs - xn, 3.5 + dip);
      const open = Math.hypot(xs, 3);
      const strain = (path - open) / (open + 130);
      expect(c.stretch).toBeCloseTo(600 * Math.log2(1 + (EA * strain) / tension), 8);
    }
    const bowed = predictedCents({ ...FIRST, relief: 0.3 }, [5])[0]?.stretch ?? 0;
    const dip = (0.3 * 4 * (x(5) - p) * (q - x(5))) / (q - p) ** 2;
    const path = Math.hypot(x(5), 0.5 + dip) + Math.hypot(648 - x(5), 3.5 + dip);
    const pull = unitMass(FIRST.string) * (2 * 0.648 * FIRST.string.frequency) ** 2;
    const open = Math.hypot(648, 3);
    expect(bowed).toBeCloseTo(600 * Math.log2(1 + (EA * (path - open)) / (open + 130) / pull), 8);
  });

  test('stiffness is the ratio of the stiff string’s two frequencies to the limp one’s', () => {
    const mass = unitMass(FIRST.string);
    const tension = mass * (2 * 0.648 * FIRST.string.frequency) ** 2;
    const EI = (2.05e11 * Math.PI * 0.305e-3 ** 4) / 64;
    for (const c of predictedCents(FLAT, FRETS)) {
      const l = 648 - fretPosition(648, c.fret);
      const stiff = frequency(l, tension, mass, EI) / frequency(648, tension, mass, EI);
      const limp = frequency(l, tension, mass, 0) / frequency(648, tension, mass, 0);
      expect(c.stiffness).toBeCloseTo(1200 * Math.log2(stiff / limp), 8);
    }
  });

  test('pressing deeper, a higher saddle, or more relief only makes it sharper', () => {
    const at = (s: FrettedString) => predictedCents(s, [5])[0]?.total ?? 0;
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 1, noNaN: true }), (d) => {
        expect(at({ ...FIRST, pressDepth: d })).toBeGreaterThan(at(FIRST));
        expect(at({ ...FIRST, saddle: 3.5 + d })).toBeGreaterThan(at(FIRST));
        expect(at({ ...FIRST, relief: d })).toBeGreaterThan(at(FIRST));
      }),
    );
  });

  test('relief lies between fret 1 and 14 only', () => {
    const bowed = predictedCents({ ...FIRST, relief: 0.3 }, [1, 14, 17]);
    const straight = predictedCents(FIRST, [1, 14, 17]);
    expect(bowed).toEqual(straight);
  });

  test('the stiffness factor grows from 1', () => {
    expect(stiffnessFactor(0, 600)).toBe(1);
    expect(stiffnessFactor(2, 300)).toBeGreaterThan(stiffnessFactor(2, 600));
  });
});

describe('a stiff string with one end held fast, against its own equation', () => {
  /**
   * The lowest mode of EI·y⁗ − T·y″ = μω²y on [0, ℓ], y = y′ = 0 at the fret, y = y″ = 0 at the saddle: the root of
   * q·tan(pℓ)… found by bisection on the frequency equation p·tanh(qℓ) = q·tan(pℓ).
   */
  function modeRatio(length: number, bend: number): number {
    const e = (bend / length) ** 2;
    const qOf = (p: number) => Math.sqrt(p * p + 1 / e);
    const f = (p: number) => p * Math.tanh(qOf(p)) - qOf(p) * Math.tan(p);
    let [low, high] = [Math.PI + 1e-9, 1.5 * Math.PI - 1e-9];
    for (let i = 0; i < 200; i++) {
      const mid = (low + high) / 2;
      if (f(low) * f(mid) <= 0) high = mid;
      else low = mid;
    }
    const p = (low + high) / 2;
    const q = qOf(p);
    // ω² = p²q²·EI/(μℓ⁴), against that of the limp string, π²T/(μℓ²).
    return (p * q * Math.sqrt(e)) / Math.PI;
  }

  test.each([
    [640, 1],
    [324, 2],
    [324, 5],
    [200, 4],
  ])('%d mm, bending length %d mm', (length, bend) => {
    expect(stiffnessFactor(bend, length)).toBeCloseTo(modeRatio(length, bend), 3);
  });
});

describe('the forecast of what is usual', () => {
  const heights = (kind: Kind) => {
    const c = usualConstruction(kind);
    const count = c.strings.length;
    const aims = stationsOf(c).flatMap((s) => {
      const target = resolveTarget(c, 'medium', [], s, { shop: SHIPPED_TARGETS, now: () => undefined });
      return target
        ? [{ value: target.aim, quantity: s.quantity, string: s.string, fret: s.fret, key: s.key }]
        : [];
    });
    const readings = new Map(aims.map((a) => [a.key, a]));
    const model = neckModel({ construction: c, readings, stale: new Set(), targets: new Map() });
    if (!model) throw new Error('no model');
    return { c, count, predicted: consequences(model, NO_MOVES).predicted };
  };

  test.each([...KINDS])('%s: at its usual compensation every 12th lies within five cents', (kind) => {
    const { count, predicted } = heights(kind);
    expect(predicted).toHaveLength(count);
    for (const cents of predicted) expect(Math.abs(cents ?? Number.NaN)).toBeLessThanOrEqual(5);
  });

  test('a usual steel set wants what benches give it', () => {
    const c = usualConstruction('steel-acoustic');
    const wants = [4.0, 2.9, 2.2, 1.8, 3.1, 1.7];
    c.strings.forEach((s, i) => {
      const note = noteFrequency(s.note, 440);
      if (!note.ok) throw new Error(s.note);
      const action = 2 - (0.5 * i) / 5;
      const nut = 0.2;
      const saddle = nut + ((action - nut) * (c.scale + c.compensation)) / fretPosition(c.scale, 12);
      const found = compensationFor12({
        scale: c.scale,
        compensation: c.compensation,
        string: { ...stringMake(c, s), frequency: note.value },
        nut,
        saddle,
        relief: 0.2,
        pressDepth: 0.25,
      });
      expect(Math.abs((found ?? Number.NaN) - (wants[i] ?? 0))).toBeLessThan(0.5);
    });
  });

  test('a bass E wants four to five, a nylon set no more than four', () => {
    const wants = (kind: Kind, index: number): number => {
      const c = usualConstruction(kind);
      const s = c.strings[index];
      const note = noteFrequency(s?.note ?? '', 440);
      if (!s || !note.ok) throw new Error('no such string');
      const action = kind === 'bass' ? 2.2 : 3.4;
      const string = { ...stringMake(c, s), frequency: note.value };
      const saddle = 0.2 + ((action - 0.2) * (c.scale + c.compensation)) / fretPosition(c.scale, 12);
      return (
        compensationFor12({
          scale: c.scale,
          compensation: 0,
          string,
          nut: 0.2,
          saddle,
          relief: 0.2,
          pressDepth: 0.25,
        }) ?? NaN
      );
    };
    expect(wants('bass', 0)).toBeGreaterThan(4);
    expect(wants('bass', 0)).toBeLessThan(5.5);
    for (let i = 0; i < 6; i++) {
      expect(wants('nylon', i)).toBeGreaterThan(0);
      expect(wants('nylon', i)).toBeLessThan(4);
    }
  });
});

describe('compensationFor12', () => {
  test('with it, the 12th is in tune', () => {
    const strings = fc.record({
      gauge: fc.double({ min: 0.2, max: 0.5, noNaN: true }),
      saddle: fc.double({ min: 1, max: 6, noNaN: true }),
    });
    fc.assert(
      fc.property(strings, ({ gauge, saddle }) => {
        const s = { ...FIRST, saddle, string: { ...FIRST.string, gauge } };
        const compensation = compensationFor12(s);
        if (compensation === null) throw new Error('none found');
        expect(predictedCents({ ...s, compensation }, [12])[0]?.total).toBeCloseTo(0, 9);
      }),
    );
  });

  test('a thicker plain string and a wound one want what benches give them', () => {
    const of = (string: FrettedString['string']) => compensationFor12({ ...FIRST, string }) ?? Number.NaN;
    const first = of(FIRST.string);
    const second = of({ kind: 'plain', gauge: 0.406, frequency: 246.942 });
    const sixth = of({ kind: 'wound', gauge: 1.346, frequency: 82.407 });
    expect(first).toBeGreaterThan(1);
    expect(first).toBeLessThan(4);
    expect(second).toBeGreaterThan(first);
    expect(sixth).toBeGreaterThan(2);
    expect(sixth).toBeLessThan(7);
  });

  test('a string no saddle can save has none', () => {
    expect(compensationFor12({ ...FIRST, string: { kind: 'plain', gauge: 3, frequency: 40 } })).toBeNull();
  });
});
