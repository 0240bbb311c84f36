import fc from 'fast-check';
import { fretPosition } from '../neck/fret-position.ts';
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
  /** Frequency of the lowest mode of a stretched stiff string with clamped ends, from its own figures. */
  const frequency = (lengthMm: number, tension: number, mass: number, EI: number) => {
    const l = lengthMm / 1000;
    const b = Math.sqrt(EI / tension) / l;
    return (Math.sqrt(tension / mass) / (2 * l)) * (1 + 2 * b + (4 + Math.PI ** 2 / 2) * b * b);
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
      const pulled = tension + EA * (path / open - 1);
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
      const strain = path / Math.hypot(xs, 3) - 1;
      expect(c.stretch).toBeCloseTo(600 * Math.log2(1 + (EA * strain) / tension), 8);
    }
    const bowed = predictedCents({ ...FIRST, relief: 0.3 }, [5])[0]?.stretch ?? 0;
    const dip = (0.3 * 4 * (x(5) - p) * (q - x(5))) / (q - p) ** 2;
    const path = Math.hypot(x(5), 0.5 + dip) + Math.hypot(648 - x(5), 3.5 + dip);
    const pull = unitMass(FIRST.string) * (2 * 0.648 * FIRST.string.frequency) ** 2;
    expect(bowed).toBeCloseTo(600 * Math.log2(1 + (EA * (path / Math.hypot(648, 3) - 1)) / pull), 8);
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
