import fc from 'fast-check';
import { fretPosition } from '../neck/fret-position.ts';
import { ACROSS, fretLevel, type FretTops } from './fret-level.ts';
import { highestPlaneUnder, planeAt, type Place } from './lowest-hull.ts';
import { compareStrategies } from './strategies.ts';
import { runs } from '../../runs-for-tests.ts';

const L = 648;

/** Best mean height of any plane through three places that stands over none: every vertex of the programme. */
function byEnumeration(places: readonly Place[]): number {
  const n = places.length;
  const mean = (f: (p: Place) => number) => places.reduce((s, p) => s + f(p), 0) / n;
  const [mx, mz] = [mean((p) => p.x), mean((p) => p.z)];
  let best = -Infinity;
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++)
      for (let k = j + 1; k < n; k++) {
        const [p, q, r] = [places[i], places[j], places[k]] as [Place, Place, Place];
        const det = (q.x - p.x) * (r.z - p.z) - (r.x - p.x) * (q.z - p.z);
        if (Math.abs(det) < 1e-9) continue;
        const b = ((q.top - p.top) * (r.z - p.z) - (r.top - p.top) * (q.z - p.z)) / det;
        const c = ((q.x - p.x) * (r.top - p.top) - (r.x - p.x) * (q.top - p.top)) / det;
        const a = p.top - b * p.x - c * p.z;
        if (places.some((s) => a + b * s.x + c * s.z > s.top + 1e-9)) continue;
        best = Math.max(best, a + b * mx + c * mz);
      }
  return best;
}

/** Heights to the nanometre: the enumeration itself forgives that much. */
const top = fc.integer({ min: -200_000, max: 300_000 }).map((n) => n / 1e6);
const fretsOf = (numbers: readonly number[]) =>
  fc.tuple(
    ...numbers.map((fret) =>
      fc.record({ fret: fc.constant(fret), bass: top, middle: top, treble: top, height: fc.constant(1) }),
    ),
  );

const flat = (fret: number, at = 0, height = 1): FretTops => ({
  fret,
  bass: at,
  middle: at,
  treble: at,
  height,
});

describe('highestPlaneUnder', () => {
  test('is as high as the best of all vertices, and stands over no place', () => {
    fc.assert(
      fc.property(fretsOf([1, 2, 5, 9, 12]), (frets) => {
        const places = frets.flatMap((f) =>
          ACROSS.map((z, i) => ({ x: fretPosition(L, f.fret), z: i - 1, top: f[z] })),
        );
        const plane = highestPlaneUnder(places);
        const mean = places.reduce((s, p) => s + planeAt(plane, p), 0) / places.length;
        expect(mean).toBeCloseTo(byEnumeration(places), 9);
        for (const p of places) expect(planeAt(plane, p)).toBeLessThanOrEqual(p.top + 1e-12);
      }),
      runs(60),
    );
  });

  test('heights that tie everywhere do not make it turn in circles', () => {
    const places = Array.from({ length: 24 }, (_, i) => i + 1).flatMap((n) =>
      [-1, 0, 1].map((z) => ({ x: fretPosition(L, n), z, top: n % 3 === 0 ? 0.05 : 0 })),
    );
    expect(planeAt(highestPlaneUnder(places), { x: 300, z: 0 })).toBeCloseTo(0, 12);
  });

  test('one place, or places in one line, still have an answer', () => {
    expect(planeAt(highestPlaneUnder([{ x: 5, z: 0, top: 0.3 }]), { x: 5, z: 0 })).toBeCloseTo(0.3, 12);
    const row = [-1, 0, 1].map((z) => ({ x: 10, z, top: z * 0.1 }));
    const plane = highestPlaneUnder(row);
    for (const p of row) expect(planeAt(plane, p)).toBeCloseTo(p.top, 12);
  });
});

describe('fretLevel', () => {
  test('a neck that is level, tilted or twisted evenly loses nothing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1e-3, max: 1e-3, noNaN: true }),
        fc.double({ min: -0.05, max: 0.05, noNaN: true }),
        (b, c) => {
          const frets = [1, 4, 8, 12, 19].map((fret) => {
            const at = (z: number) => b * fretPosition(L, fret) + c * z;
            return { fret, bass: at(-1), middle: at(0), treble: at(1), height: 1 };
          });
          const level = fretLevel(L, frets, 0.5);
          expect(level.total).toBeCloseTo(0, 9);
          expect(level.spots).toEqual([]);
        },
      ),
    );
  });

  test('one high fret comes down alone', () => {
    const frets = [1, 2, 3, 4, 5].map((n) => flat(n, n === 3 ? 0.1 : 0));
    const level = fretLevel(L, frets, 0.95);
    expect(level.total).toBeCloseTo(0.3, 12);
    expect(level.frets.map((f) => f.left)).toEqual([1, 1, expect.closeTo(0.9, 12), 1, 1]);
    expect(level.spots.map((s) => `${s.fret} ${s.place}`)).toEqual(['3 bass', '3 middle', '3 treble']);
    expect(level.underMinimum).toEqual([3]);
    expect(level.actionRise).toBeCloseTo(0, 12);
  });

  test('one low fret takes a little off all others, tilted to spare metal', () => {
    const level = fretLevel(
      L,
      [1, 2, 3].map((n) => flat(n, n === 2 ? -0.05 : 0)),
      0.5,
    );
    expect(level.frets[1]?.removal.middle).toBeCloseTo(0, 12);
    expect(level.total).toBeGreaterThan(0);
  });

  test('past the fall-away the last fret lies lower by its amount', () => {
    const frets = [1, 6, 12, 14, 17, 20].map((n) => flat(n));
    const level = fretLevel(L, frets, 0.5, { from: 12, amount: 0.12 });
    const share = (n: number) =>
      (fretPosition(L, n) - fretPosition(L, 12)) / (fretPosition(L, 20) - fretPosition(L, 12));
    for (const f of level.frets) {
      expect(f.removal.middle).toBeCloseTo(f.fret > 12 ? 0.12 * share(f.fret) : 0, 9);
    }
  });

  test('the mean removal at the fret nearest the 12th is the rise of the action', () => {
    const frets = [1, 5, 11, 20].map((n) => flat(n, n === 11 ? 0.09 : 0));
    expect(fretLevel(L, frets, 0.5).actionRise).toBeCloseTo(0.09, 12);
  });

  test('nothing is ever added, and more height all over changes nothing', () => {
    fc.assert(
      fc.property(
        fretsOf([1, 3, 7, 12, 15, 20]),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (frets, up) => {
          const level = fretLevel(L, frets, 0.5);
          for (const f of level.frets) for (const z of ACROSS) expect(f.removal[z]).toBeGreaterThanOrEqual(0);
          const raised = frets.map((f) => ({
            ...f,
            bass: f.bass + up,
            middle: f.middle + up,
            treble: f.treble + up,
          }));
          expect(fretLevel(L, raised, 0.5).total).toBeCloseTo(level.total, 8);
        },
      ),
      runs(60),
    );
  });

  test('twice the unevenness costs twice the metal', () => {
    fc.assert(
      fc.property(fretsOf([1, 6, 12, 18]), (frets) => {
        const twice = frets.map((f) => ({
          ...f,
          bass: 2 * f.bass,
          middle: 2 * f.middle,
          treble: 2 * f.treble,
        }));
        expect(fretLevel(L, twice, 0.5).total).toBeCloseTo(2 * fretLevel(L, frets, 0.5).total, 8);
      }),
      runs(40),
    );
  });
});

describe('compareStrategies', () => {
  const worn = [1, 2, 3, 4, 5, 12].map((n) =>
    flat(n, n === 2 ? -0.3 : n === 4 ? 0.06 : 0, n === 2 ? 0.7 : 1),
  );
  const by = (extra = {}) =>
    new Map(
      compareStrategies({ scale: L, frets: worn, minimumHeight: 0.75, newHeight: 1.1, ...extra }).map((s) => [
        s.strategy,
        s,
      ]),
    );

  test('dressing the spots takes only what rocks and leaves the dip', () => {
    const spots = by().get('spots');
    // Fret 3 rocks between the dip at 2 and the high 4, and each pass brings it nearer its neighbours.
    expect(spots?.total).toBeGreaterThan(0.18 - 1e-9);
    expect(spots?.total).toBeLessThan(by().get('level-all')?.total ?? 0);
    expect(spots?.replaced).toEqual([]);
  });

  test('one high spot comes down to the straight line through its neighbours, no farther', () => {
    const tops = [0, 0.05, 0.02, 0.01];
    const frets = [3, 5, 8, 12].map((n, i) => flat(n, tops[i] ?? 0));
    const [spots] = compareStrategies({ scale: L, frets, minimumHeight: 0.98, newHeight: 1.1 });
    const [x3, x5, x8] = [3, 5, 8].map((n) => fretPosition(L, n)) as [number, number, number];
    const line = (0.02 * (x5 - x3)) / (x8 - x3);
    expect(spots?.total).toBeCloseTo(3 * (0.05 - line), 12);
    expect(spots?.leastLeft).toBeCloseTo(1 - (0.05 - line), 12);
    expect(spots?.underMinimum).toEqual([5]);
    expect(spots?.actionRise).toBe(0);
  });

  test('the action is looked at nearest the 12th, wherever that stands in the list', () => {
    const frets = [1, 11, 20].map((n) => flat(n, 0, 0.8));
    const ways = compareStrategies({ scale: L, frets, minimumHeight: 0.5, newHeight: 1, replace: [11] });
    const some = ways.find((w) => w.strategy === 'replace-some');
    // The new fret stands 0.2 higher and is taken down to the old surface: the action stays.
    expect(some?.actionRise).toBeCloseTo(0, 12);
    expect(some?.total).toBeCloseTo(0.6, 12);
    expect(some?.leastLeft).toBeCloseTo(0.8, 12);
    const first = compareStrategies({ scale: L, frets, minimumHeight: 0.5, newHeight: 1, replace: [1] });
    expect(first.find((w) => w.strategy === 'replace-some')?.actionRise).toBeCloseTo(0, 12);
  });

  test('a neck without spots is left as it is', () => {
    const level = [1, 2, 3, 4].map((n) => flat(n, n === 2 ? 0.019 : 0));
    const [spots] = compareStrategies({ scale: L, frets: level, minimumHeight: 0.5, newHeight: 1.1 });
    expect(spots).toMatchObject({ total: 0, leastLeft: 1, underMinimum: [] });
  });

  test('levelling all would end too low at the dip, so that one is replaced', () => {
    const all = by().get('level-all');
    expect(all?.underMinimum).toContain(2);
    const some = by().get('replace-some');
    expect(some?.replaced).toEqual(all?.underMinimum);
    expect(some?.total).toBeLessThan(all?.total ?? 0);
    expect(some?.underMinimum).toEqual([]);
  });

  test('named frets are replaced when they are named', () => {
    expect(by({ replace: [1, 5] }).get('replace-some')?.replaced).toEqual([1, 5]);
  });

  test('new wire everywhere starts from its own height and raises the frets', () => {
    const even = [1, 6, 12].map((n) => flat(n, 0, 0.8));
    const all = compareStrategies({ scale: L, frets: even, minimumHeight: 0.6, newHeight: 1.1 }).at(-1);
    expect(all).toMatchObject({ strategy: 'replace-all', replaced: [1, 6, 12] });
    expect(all?.total).toBeCloseTo(0, 12);
    expect(all?.leastLeft).toBeCloseTo(1.1, 12);
    expect(all?.actionRise).toBeCloseTo(-0.3, 12);
  });
});
