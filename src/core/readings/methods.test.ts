import fc from 'fast-check';
import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS } from '../instrument/kinds.ts';
import { stringLine } from '../neck/string-line.ts';
import {
  actionAt,
  actionAt12,
  actionFret,
  gapBy,
  gapHeldAt3,
  methodWords,
  METHODS,
  reliefAsPressed,
  reliefBy,
  reliefMethod,
  USUAL_METHODS,
} from './methods.ts';
import type { Reading } from './reading.ts';
import { standardReadings } from './standard.ts';

const kind = fc.constantFrom(...KINDS);
const length = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('conversions between ways of reading', () => {
  test('go there and back to the same', () => {
    fc.assert(
      fc.property(kind, length(0, 0.6), length(1, 4), length(0.02, 0.3), (k, relief, action, gap) => {
        const c = usualConstruction(k);
        expect(reliefAsPressed(c, reliefBy(c, relief, 'capo-joint'), 'capo-joint')).toBeCloseTo(relief, 10);
        const h = { nut: gap * 2.06, relief };
        for (const fret of [17, c.frets]) {
          if (fret > c.frets) continue;
          expect(actionAt12(c, actionAt(c, action, fret, h), fret, h)).toBeCloseTo(action, 10);
        }
        for (const m of ['held-2', 'held-3', 'on-3', 'open', 'feel'] as const)
          expect(gapHeldAt3(c, gapBy(c, gap, m, action), m, action)).toBeCloseTo(gap, 10);
      }),
    );
  });

  test('on a straight neck the action elsewhere is the string’s line', () => {
    const c = usualConstruction('steel-acoustic');
    const line = stringLine(c.scale, [
      { fret: 0, height: 0.3 },
      { fret: 12, height: 2.2 },
    ]);
    for (const fret of [5, 17, 20])
      expect(actionAt(c, 2.2, fret, { nut: 0.3, relief: 0 })).toBeCloseTo(line.heightAt(fret), 12);
  });

  test('a string that lies on fret 3 shows more than one that lies on fret 2, the open string more still', () => {
    const c = usualConstruction('solid-electric');
    expect(gapBy(c, 0.1, 'held-2', 1.7)).toBeCloseTo(0.1, 12);
    expect(gapBy(c, 0.1, 'on-3', 1.7)).toBeCloseTo((0.1 * 2.0595) / 1.5451, 4);
    expect(gapBy(c, 0.1, 'open', 1.7)).toBeGreaterThan(0.1);
  });

  test('a shorter span shows less of the same bend', () => {
    const c = usualConstruction('steel-acoustic');
    expect(reliefMethod('capo-joint', c)).toEqual({
      low: 1,
      high: c.bodyFret,
      at: Math.round((1 + c.bodyFret) / 2),
    });
    expect(reliefBy(c, 0.2, 'capo-joint')).toBeLessThan(0.2);
    for (const m of ['pressed', 'straightedge', 'tapping'] as const) expect(reliefBy(c, 0.2, m)).toBe(0.2);
  });

  test.each([
    ['at-12', 20, 12],
    ['at-17', 22, 17],
    ['at-17', 15, 15],
    ['at-last', 24, 24],
  ] as const)('%s of %d frets is fret %d', (method, frets, fret) => {
    expect(actionFret(method, frets)).toBe(fret);
  });

  test('every method has its words', () => {
    expect(methodWords('relief', USUAL_METHODS)).toBe(METHODS.relief.pressed);
    expect(methodWords('action', { ...USUAL_METHODS, action: 'at-last' })).toContain('last fret');
    expect(methodWords('nut-gap', { ...USUAL_METHODS, 'nut-gap': 'feel' })).toContain('feel');
    expect(methodWords('intonation', { ...USUAL_METHODS, intonation: 'harmonic' })).toContain('harmonic');
    expect(methodWords('contact', USUAL_METHODS)).toContain('front edge');
  });
});

const reading = (more: Partial<Reading>): Reading => ({
  key: 'relief:0:7',
  quantity: 'relief',
  string: 0,
  fret: 7,
  value: 0.2,
  round: 'as-found',
  takenAt: 10,
  notRepresentative: null,
  ...more,
});

describe('standardReadings', () => {
  const c = usualConstruction('steel-acoustic');

  test('what was read the reference way stays as it is', () => {
    const all = [reading({ methodId: 'pressed' }), reading({ key: 'contact:1:0', quantity: 'contact' })];
    expect(standardReadings(c, all)).toEqual(all);
  });

  test('relief, gaps and action read another way are converted and say so', () => {
    const all = [
      reading({ methodId: 'capo-joint', value: 0.1 }),
      reading({
        key: 'nut-gap:6:1',
        quantity: 'nut-gap',
        string: 6,
        fret: 1,
        methodId: 'on-3',
        value: 0.08,
      }),
      reading({ key: 'action:6:17', quantity: 'action', string: 6, fret: 17, methodId: 'at-17', value: 2.6 }),
    ];
    const [relief, gap, at17, at12, ...rest] = standardReadings(c, all);
    expect(rest).toEqual([]);
    expect(relief?.value).toBeCloseTo(reliefAsPressed(c, 0.1, 'capo-joint'), 12);
    expect(relief?.converted).toContain('capo');
    expect(gap?.value).toBeCloseTo(0.08 * (1.5451 / 2.0595), 4);
    expect(gap?.converted).toContain('held right on fret 3');
    expect(at17).toEqual(all[2]);
    expect(at12).toMatchObject({ key: 'action:6:12', fret: 12, converted: 'read over fret 17' });
    expect(at12?.value).toBeLessThan(2.6);
  });

  test('a further relief reading with a capo is converted at its own fret, one beyond the joint is left', () => {
    const at = (fret: number) =>
      reading({ key: `relief:0:${fret}`, fret, methodId: 'capo-joint', value: 0.1 });
    const [fifth, beyond] = standardReadings(c, [at(5), at(c.bodyFret)]);
    const span = (high: number, f: number) => {
      const [p, q, k] = [1, high, f].map((n) => 1 - 2 ** (-n / 12)) as [number, number, number];
      return (k - p) * (q - k);
    };
    expect(fifth?.value).toBeCloseTo((0.1 * span(c.frets, 5)) / span(c.bodyFret, 5), 12);
    expect(beyond).toEqual(at(c.bodyFret));
  });

  test('a newer reading at the 12th itself is not overruled, an older one is', () => {
    const at = (fret: number, takenAt: number) =>
      reading({ key: `action:6:${fret}`, quantity: 'action', string: 6, fret, takenAt, value: 2.5 });
    expect(standardReadings(c, [at(12, 20), at(17, 10)])).toHaveLength(2);
    expect(standardReadings(c, [at(12, 5), at(17, 10)])).toHaveLength(3);
    const bad = { ...at(17, 10), notRepresentative: 'taken with a string missing' };
    expect(standardReadings(c, [bad])).toHaveLength(1);
  });

  test('an open height without an action is taken with the usual one', () => {
    const [gap] = standardReadings(c, [
      reading({ key: 'nut-gap:1:1', quantity: 'nut-gap', string: 1, fret: 1, methodId: 'open', value: 0.5 }),
    ]);
    expect(gap?.value).toBeCloseTo(gapHeldAt3(c, 0.5, 'open', 2), 12);
  });

  const gapReading = (methodId: string | undefined, value: number) =>
    reading({ key: 'nut-gap:3:1', quantity: 'nut-gap', string: 3, fret: 1, methodId, value });
  const action = (string: number, fret: number, value: number, takenAt = 10) =>
    reading({ key: `action:${string}:${fret}`, quantity: 'action', string, fret, value, takenAt });
  const along = (f: number) => 1 - 2 ** (-f / 12);

  test.each(['held-3', 'feel', 'held-2', undefined, 'no way known', 'capo-joint'])(
    'a gap read by %s stays as it is',
    (methodId) => {
      const own = gapReading(methodId, 0.1);
      expect(standardReadings(c, [own])).toEqual([own]);
    },
  );

  test.each(['straightedge', undefined, 'no way known', 'held-2'])(
    'a relief read by %s stays as it is',
    (methodId) => {
      const own = reading({ methodId, value: 0.1 });
      expect(standardReadings(c, [own])).toEqual([own]);
    },
  );

  test('a relief at the capo itself is nothing that can be converted', () => {
    const own = reading({ key: 'relief:0:1', fret: 1, methodId: 'capo-joint', value: 0 });
    expect(standardReadings(c, [own])).toEqual([own]);
  });

  test('an open height uses its own string’s action at the 12th, or the one read elsewhere', () => {
    const open = gapReading('open', 0.5);
    // Held behind 3 it lies on 2: a slot of h over the plane shows h less the line from h to the second fret's top.
    const heldAt3 = (action12: number) => {
      const share = along(1) / along(12);
      const nut = (0.5 - action12 * share) / (1 - share);
      return nut * (1 - along(1) / along(2));
    };
    const [own] = standardReadings(c, [open, action(3, 12, 3), action(3, 17, 9), action(1, 12, 7)]);
    expect(own?.value).toBeCloseTo(heldAt3(3), 9);
    const [other] = standardReadings(c, [open, action(1, 17, 7), action(3, 17, 2.6)]);
    expect(other?.value).toBeCloseTo(heldAt3(2.6), 9);
  });

  test('an action read elsewhere is brought to the 12th over the nut and the relief as read', () => {
    const bend = (f: number) =>
      ((along(f) - along(1)) * (along(c.frets) - along(f))) /
      ((along(7) - along(1)) * (along(c.frets) - along(7)));
    const at12 = (gap: number, relief: number) => {
      const nut = gap / (1 - along(1) / along(2));
      // The string over the plane of the fret tops at the ends: over the 17th it stands what was read, less the dip there.
      const over17 = 2.6 - relief * bend(17);
      return nut + ((over17 - nut) * along(12)) / along(17) + relief * bend(12);
    };
    const derived = (...more: Reading[]) =>
      standardReadings(c, [action(3, 17, 2.6), ...more]).find((r) => r.key === 'action:3:12')?.value;
    expect(derived()).toBeCloseTo(at12(0.12, 0), 9);
    expect(derived(gapReading(undefined, 0.2))).toBeCloseTo(at12(0.2, 0), 9);
    expect(derived(reading({ value: 0.3 }))).toBeCloseTo(at12(0.12, 0.3), 9);
    const capo = reading({ methodId: 'capo-joint', value: 0.2 });
    expect(derived(capo)).toBeCloseTo(at12(0.12, reliefAsPressed(c, 0.2, 'capo-joint')), 9);
    // A gap of another string, or a relief elsewhere, says nothing of this one.
    expect(derived(reading({ key: 'relief:0:5', fret: 5, value: 0.3 }))).toBeCloseTo(at12(0.12, 0), 9);
  });

  test('what was read at the 12th in the same moment stands', () => {
    expect(standardReadings(c, [action(3, 12, 2, 10), action(3, 17, 2.6, 10)])).toHaveLength(2);
  });
});
