import fc from 'fast-check';
import { fretPosition } from './fret-position.ts';
import { convertRelief, reliefShare } from './relief.ts';
import { stringLine } from './string-line.ts';
import { ratioOf, rodRatio, rodToAction } from './rod-to-action.ts';
import { rodAdvice, USUAL_ROD, type LoggedTurn } from './truss-rod.ts';

const scale = fc.double({ min: 250, max: 900, noNaN: true });

describe('fretPosition', () => {
  test('the 12th halves the scale, the 24th halves the rest', () => {
    expect(fretPosition(648, 12)).toBeCloseTo(324, 10);
    expect(fretPosition(648, 24)).toBeCloseTo(486, 10);
    expect(fretPosition(648, 0)).toBe(0);
  });

  test('each fret leaves the same share of what was left: 2^(−1/12)', () => {
    fc.assert(
      fc.property(scale, fc.integer({ min: 0, max: 30 }), (L, n) => {
        expect((L - fretPosition(L, n + 1)) / (L - fretPosition(L, n))).toBeCloseTo(2 ** (-1 / 12), 12);
      }),
    );
  });

  test.each([
    [0, 1],
    [-1, 1],
    [Number.NaN, 1],
    [648, -1],
    [648, Infinity],
  ])('scale %d, fret %d is refused', (L, n) => {
    expect(() => fretPosition(L, n)).toThrow(RangeError);
  });
});

describe('stringLine', () => {
  test('goes through nut and 12th to twice the rise at the saddle', () => {
    const line = stringLine(648, [
      { fret: 0, height: 0.5 },
      { fret: 12, height: 2 },
    ]);
    expect(line.saddle).toBeCloseTo(3.5, 12);
    expect(line.heightAt(24)).toBeCloseTo(0.5 + 3 * 0.75, 12);
  });

  test('heights taken from a line give the line back, whatever two frets are read', () => {
    const frets = fc.uniqueArray(fc.integer({ min: 0, max: 22 }), { minLength: 2, maxLength: 2 });
    const height = fc.double({ min: 0, max: 8, noNaN: true });
    fc.assert(
      fc.property(
        scale,
        fc.double({ min: 0, max: 6, noNaN: true }),
        frets,
        height,
        height,
        (L, comp, pair, nut, saddle) => {
          const at = (n: number) => nut + ((saddle - nut) * fretPosition(L, n)) / (L + comp);
          const [a = 0, b = 1] = pair;
          const line = stringLine(
            L,
            [
              { fret: a, height: at(a) - 0.1, fretTop: 0.1 },
              { fret: b, height: at(b) },
            ],
            comp,
          );
          expect(line.nut).toBeCloseTo(nut, 6);
          expect(line.saddle).toBeCloseTo(saddle, 6);
          expect(line.heightAt(7, -0.2)).toBeCloseTo(at(7) + 0.2, 6);
        },
      ),
    );
  });

  test('two readings at one fret fix no line', () => {
    expect(() =>
      stringLine(648, [
        { fret: 12, height: 2 },
        { fret: 12, height: 2 },
      ]),
    ).toThrow(RangeError);
  });
});

describe('relief', () => {
  test('the middle of the pressed span shows all of it, its ends nothing', () => {
    expect(reliefShare(648, { low: 1, high: 20, at: 1 })).toBe(0);
    expect(reliefShare(648, { low: 1, high: 20, at: 20 })).toBe(0);
    const [p, q] = [fretPosition(648, 1), fretPosition(648, 20)];
    const middle = -12 * Math.log2(1 - (p + q) / 2 / 648);
    expect(reliefShare(648, { low: 1, high: 20, at: middle })).toBeCloseTo(1, 12);
  });

  test('agrees with a parabola drawn and measured directly', () => {
    // y = κ/2·(x − p)(q − x): the gap under a straight line over an evenly bent neck.
    const curvature = 4e-6;
    const gap = (low: number, high: number, at: number) => {
      const [p, q, x] = [low, high, at].map((n) => fretPosition(648, n)) as [number, number, number];
      return (curvature / 2) * (x - p) * (q - x);
    };
    const converted = convertRelief(
      648,
      gap(1, 20, 7),
      { low: 1, high: 20, at: 7 },
      { low: 1, high: 14, at: 6 },
    );
    expect(converted.value).toBeCloseTo(gap(1, 14, 6), 12);
  });

  test('converting there and back changes nothing', () => {
    const method = fc
      .tuple(fc.integer({ min: 0, max: 4 }), fc.integer({ min: 3, max: 6 }), fc.integer({ min: 3, max: 8 }))
      .map(([low, up, more]) => ({ low, at: low + up, high: low + up + more }));
    fc.assert(
      fc.property(scale, fc.double({ min: -1, max: 1, noNaN: true }), method, method, (L, value, a, b) => {
        expect(convertRelief(L, convertRelief(L, value, a, b).value, b, a).value).toBeCloseTo(value, 9);
      }),
    );
  });

  test.each([[{ low: 1, high: 20, at: 0 }], [{ low: 1, high: 20, at: 21 }], [{ low: 9, high: 9, at: 9 }]])(
    '%o is refused',
    (method) => {
      expect(() => reliefShare(648, method)).toThrow(RangeError);
    },
  );

  test('nothing can be converted from a pressed fret', () => {
    const pressed = { low: 1, high: 20, at: 1 };
    expect(() => convertRelief(648, 0.2, pressed, { low: 1, high: 20, at: 7 })).toThrow(RangeError);
  });
});

describe('rodAdvice', () => {
  const target = { low: 0.15, aim: 0.2, high: 0.25 };

  test('inside the band it is left alone', () => {
    expect(rodAdvice(0.15, target).advice).toBe('leave');
    expect(rodAdvice(0.25, target).advice).toBe('leave');
  });

  test('too deep tightens, never more than a quarter turn', () => {
    expect(rodAdvice(0.36, target)).toMatchObject({ advice: 'tighten', eighths: 2 });
    expect(rodAdvice(0.36, target).expected?.aim).toBeCloseTo(0.26, 12);
    expect(rodAdvice(2, target).eighths).toBe(2);
    expect(rodAdvice(0.27, target).eighths).toBe(1);
  });

  test('too straight loosens', () => {
    expect(rodAdvice(0.02, target)).toMatchObject({ advice: 'loosen', eighths: -2 });
  });

  test('the direction always follows the sign of the error', () => {
    fc.assert(
      fc.property(fc.double({ min: -1, max: 2, noNaN: true }), (relief) => {
        const { advice, eighths } = rodAdvice(relief, target);
        if (relief > target.high) expect([advice, Math.sign(eighths)]).toEqual(['tighten', 1]);
        else if (relief < target.low) expect([advice, Math.sign(eighths)]).toEqual(['loosen', -1]);
        else expect(eighths).toBe(0);
      }),
    );
  });

  test('the logged turns pull the response from the prior to the instrument’s own', () => {
    const turn: LoggedTurn = { eighths: 2, before: 0.5, after: 0.46 };
    const one = rodAdvice(0.46, target, [turn]).perEighth;
    const many = rodAdvice(
      0.46,
      target,
      Array.from({ length: 50 }, () => turn),
    ).perEighth;
    expect(one).toBeLessThan(USUAL_ROD.perEighth);
    expect(one).toBeGreaterThan(0.02);
    expect(many).toBeCloseTo(0.02, 3);
  });

  test('one turn is weighed against the prior as two normals are', () => {
    const turn: LoggedTurn = { eighths: 1, before: 0.4, after: 0.39 };
    const [wp, wt] = [1 / USUAL_ROD.sd ** 2, 1 / (2 * 0.02 ** 2)];
    expect(rodAdvice(0.39, target, [turn]).perEighth).toBeCloseTo(
      (USUAL_ROD.perEighth * wp + 0.01 * wt) / (wp + wt),
      12,
    );
  });

  test('two turns without an answer stop it', () => {
    const dead: LoggedTurn = { eighths: 2, before: 0.5, after: 0.5 };
    expect(
      rodAdvice(
        0.5,
        target,
        Array.from({ length: 8 }, () => dead),
      ).advice,
    ).toBe('stop');
  });

  test('a rod that answers the wrong way stops it', () => {
    const wrong: LoggedTurn = { eighths: 2, before: 0.4, after: 0.6 };
    expect(rodAdvice(0.6, target, [wrong, wrong]).advice).toBe('stop');
  });

  test('the action at 12 follows relief about 1.65 times, by kind of neck', () => {
    expect(rodToAction(648, 12, -0.1, 12).actionChange).toBeCloseTo(-0.165, 12);
    expect([ratioOf('steel-acoustic'), ratioOf('solid-electric'), ratioOf('bass')]).toEqual([
      1.65, 1.7, 1.75,
    ]);
    expect(rodToAction(648, 14, -0.1, 12, 2.4)).toEqual({
      actionChange: expect.closeTo(-0.24, 12) as number,
      ratio: 2.4,
    });
  });

  test('the ratio agrees with a bent neck drawn and measured: circle to the joint, straight after it', () => {
    // Seen from the body: heights of a circle of relief r over the span nut to joint, tangent to the body at the joint.
    const [L, joint] = [648, 14];
    const xj = fretPosition(L, joint);
    const relief = 0.01;
    const radius = xj ** 2 / (8 * relief);
    const rise = (x: number) => (x < xj ? radius - Math.sqrt(radius ** 2 - (xj - x) ** 2) : 0);
    const action = (fret: number) => {
      const x = fretPosition(L, fret);
      return rise(0) * (1 - x / L) - rise(x);
    };
    for (const fret of [1, 5, 12, 17]) {
      expect(rodRatio(L, joint, fret)).toBeCloseTo((1.65 * action(fret)) / action(12), 5);
    }
    // An even bend would make it twofold; necks are thicker toward the body and bend less there.
    expect(action(12) / relief).toBeCloseTo(1.96, 2);
    expect(rodRatio(L, 12, 17)).toBeCloseTo(1.65 * 2 * (1 - fretPosition(L, 17) / L), 12);
  });
});
