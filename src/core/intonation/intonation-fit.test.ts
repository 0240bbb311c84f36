import fc from 'fast-check';
import { fretPosition } from '../neck/fret-position.ts';
import { contactFit } from './contact-fit.ts';
import { errorAfter, intonationFit, nutSpread } from './intonation-fit.ts';
import { saddleMove } from './saddle-move.ts';

const L = 648;

/** Pitch errors of a neck whose contacts stand off by m and u, from lengths alone. */
const errorsOf = (m: number, u: number, frets: readonly number[]) =>
  frets.map((fret) => {
    // Moving the contacts by m and u makes every note right: so now each is off by the inverse ratio.
    const xn = fretPosition(L, fret);
    const right = (L + m - u) / (L - xn + m);
    const now = L / (L - xn);
    return { fret, cents: 1200 * Math.log2(now / right) };
  });

describe('saddleMove', () => {
  test('moved, and then read again, the error is nothing', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 20 }),
        fc.double({ min: -30, max: 30, noNaN: true }),
        (fret, cents) => {
          const m = saddleMove(L, fret, cents);
          const xn = fretPosition(L, fret);
          expect(1200 * Math.log2((L + m) / (L - xn + m) / (L / (L - xn)))).toBeCloseTo(-cents, 9);
        },
      ),
    );
  });

  test('about 0.37 mm a cent at the 12th', () => {
    expect(saddleMove(L, 12, 1)).toBeCloseTo(0.3747, 3);
    expect(saddleMove(L, 12, 0)).toBeCloseTo(0, 12);
  });

  test.each([
    [0, 5],
    [-1, 5],
    [12, 1200],
    [12, 1300],
  ])('fret %d, %d cents is refused', (fret, cents) => {
    expect(() => saddleMove(L, fret, cents)).toThrow(RangeError);
  });
});

describe('intonationFit', () => {
  test('one reading alone moves the saddle exactly as its own sum does', () => {
    fc.assert(
      fc.property(fc.double({ min: -25, max: 25, noNaN: true }), (cents) => {
        const fit = intonationFit(L, [{ fret: 12, cents }], false);
        expect(fit.ok && fit.value.saddleMove).toBeCloseTo(saddleMove(L, 12, cents), 6);
        expect(fit.ok && fit.value.nutMove).toBe(0);
      }),
    );
  });

  test('errors made from a known pair of moves give the pair back and nothing is left', () => {
    const moves = fc.double({ min: -2, max: 6, noNaN: true });
    fc.assert(
      fc.property(moves, fc.double({ min: -1.5, max: 1.5, noNaN: true }), (m, u) => {
        const fit = intonationFit(L, errorsOf(m, u, [1, 3, 5, 7, 12]), true);
        if (!fit.ok) throw new Error(fit.error.message);
        expect(fit.value.saddleMove).toBeCloseTo(m, 6);
        expect(fit.value.nutMove).toBeCloseTo(u, 6);
        expect(fit.value.rmsAfter).toBeCloseTo(0, 6);
      }),
    );
  });

  test('no pair of moves nearby does better', () => {
    const readings = [
      { fret: 1, cents: 6, weight: 2 },
      { fret: 2, cents: 5 },
      { fret: 3, cents: 3 },
      { fret: 7, cents: -2 },
      { fret: 12, cents: 5, weight: 0.5 },
      { fret: 12, cents: 4.5, weight: 0.5 },
    ];
    const fit = intonationFit(L, readings, true);
    if (!fit.ok) throw new Error(fit.error.message);
    const left = (m: number, u: number) =>
      readings.reduce(
        (s, r) => s + (r.weight ?? 1) * errorAfter(L, fretPosition(L, r.fret), r.cents, m, u) ** 2,
        0,
      );
    const { saddleMove: m, nutMove: u } = fit.value;
    for (const [dm, du] of [
      [1e-3, 0],
      [-1e-3, 0],
      [0, 1e-3],
      [0, -1e-3],
      [1e-3, 1e-3],
      [-1e-3, 1e-3],
    ] as const) {
      expect(left(m + dm, u + du)).toBeGreaterThan(left(m, u));
    }
    expect(fit.value.rmsBefore).toBeCloseTo(Math.sqrt(left(0, 0) / 6), 12);
    expect(fit.value.rmsAfter).toBeCloseTo(Math.sqrt(left(m, u) / 6), 12);
    expect(fit.value.residuals.map((r) => r.before)).toEqual([6, 5, 3, -2, 5, 4.5]);
  });

  test('a reading without weight is reported and not used', () => {
    const fit = intonationFit(
      L,
      [
        { fret: 12, cents: 4 },
        { fret: 5, cents: 30, weight: 0 },
      ],
      false,
    );
    expect(fit.ok && fit.value.saddleMove).toBeCloseTo(saddleMove(L, 12, 4), 6);
    expect(fit.ok && fit.value.residuals).toHaveLength(2);
  });

  test.each([
    ['one fret', [{ fret: 12, cents: 3 }]],
    [
      'one fret twice',
      [
        { fret: 12, cents: 3 },
        { fret: 12, cents: 5 },
      ],
    ],
    [
      'two frets side by side',
      [
        { fret: 11, cents: 3 },
        { fret: 12, cents: 5 },
      ],
    ],
    [
      'a second fret without weight',
      [
        { fret: 1, cents: 3, weight: 0 },
        { fret: 12, cents: 5 },
      ],
    ],
  ])('%s cannot tell the nut from the saddle', (_, readings) => {
    expect(intonationFit(L, readings, true)).toMatchObject({ ok: false, error: { code: 'cannot-tell' } });
  });

  test('errors far beyond any neck’s end in an answer all the same, and leave less than they found', () => {
    const wild = fc.double({ min: -900, max: 900, noNaN: true });
    fc.assert(
      fc.property(wild, wild, fc.boolean(), (low, high, nut) => {
        const readings = [
          { fret: 1, cents: low },
          { fret: 2, cents: low },
          { fret: 3, cents: low },
          { fret: 12, cents: high },
          { fret: 12, cents: high },
        ];
        const fit = intonationFit(L, readings, nut);
        if (!fit.ok) throw new Error(fit.error.message);
        expect(Number.isFinite(fit.value.saddleMove + fit.value.nutMove)).toBe(true);
        expect(fit.value.rmsAfter).toBeLessThanOrEqual(fit.value.rmsBefore + 1e-9);
        for (const r of fit.value.residuals) expect(Number.isFinite(r.after)).toBe(true);
      }),
    );
  });

  test('no weight at all tells nothing', () => {
    expect(intonationFit(L, [{ fret: 12, cents: 3, weight: 0 }], false)).toMatchObject({
      ok: false,
      error: { message: 'No reading has any weight.' },
    });
  });

  test('a reading without weight does not help to tell nut from saddle', () => {
    const high = [
      { fret: 11, cents: 2 },
      { fret: 12, cents: 3 },
    ];
    const low = [1, 2, 3].map((fret) => ({ fret, cents: -4 }));
    expect(intonationFit(L, [...high, ...low], true).ok).toBe(true);
    expect(intonationFit(L, [...high, ...low.map((l) => ({ ...l, weight: 0 }))], true).ok).toBe(false);
    expect(nutSpread(L, [{ fret: 12, cents: 3 }])).toBe(Infinity);
  });

  test('the spread of the nut’s answer is what changing each reading by a cent makes of it', () => {
    const readings = [
      { fret: 1, cents: 0, weight: 3 },
      { fret: 2, cents: 0, weight: 3 },
      { fret: 5, cents: 0 },
      { fret: 12, cents: 0, weight: 2 },
    ];
    const shifts = readings.map((_, k) => {
      const fit = intonationFit(
        L,
        readings.map((r, i) => ({ ...r, cents: i === k ? 1e-3 : 0 })),
        true,
      );
      return fit.ok ? fit.value.nutMove * 1e3 : Number.NaN;
    });
    expect(nutSpread(L, readings)).toBeCloseTo(Math.hypot(...shifts), 4);
  });
});

describe('contactFit', () => {
  test.each([
    ['stays inside', 3, 1, 1, 2, 0, 0],
    ['reaches the back edge', 3, 1, 2, 3, 0, 0],
    ['reaches the front edge', 3, 1, -1, 0, 0, 0],
    ['goes out behind', 3, 1.5, 2, 3.5, 0.5, 4],
    ['goes out in front', 3, 1, -1.25, -0.25, -0.25, 3],
    ['goes farther than any crown', 3, 1, 8, 9, 6, 3],
  ])('%s', (_, crown, contact, move, at, outside, ways) => {
    const fit = contactFit(crown, contact, move);
    expect([fit.at, fit.outside, fit.ways.length]).toEqual([at, outside, ways]);
  });

  test('says on which side and by how much', () => {
    expect(contactFit(3, 1.5, 2).ways.join()).toContain('behind its slot by 0.50 mm');
    expect(contactFit(3, 1, -1.25).ways.join()).toContain('in front of its slot by 0.25 mm');
  });
});
