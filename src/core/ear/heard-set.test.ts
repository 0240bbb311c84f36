import fc from 'fast-check';
import { usualConstruction } from '../instrument/defaults.ts';
import { scaleOf } from '../instrument/scales.ts';
import { runs } from '../../runs-for-tests.ts';
import { hear } from '../sound/hear.ts';
import { pluckSound } from '../sound/pluck-for-tests.ts';
import { pulls } from '../strings/string-pull.ts';
import { noteFrequency } from '../strings/pitch.ts';
import { earPlan } from './ear-plan.ts';
import { beginEarRound, hearPluck, type EarRound } from './ear-round.ts';
import { gaugeByPartials, heardString, sayHeardSet } from './heard-set.ts';

const c = usualConstruction('steel-acoustic');
const hzOf = (number: number): number => {
  const note = noteFrequency(c.strings[6 - number]?.note ?? '');
  return note.ok ? note.value : 0;
};
/** B of a plain steel string, in SI units from first principles: E·I·π²/(T·L²), I = πd⁴/64, T = ρA(2Lf)². */
function stiffness(gauge: number, hz: number, length: number): number {
  const [d, l] = [gauge / 1000, length / 1000];
  const tension = 7850 * (Math.PI / 4) * d * d * (2 * l * hz) ** 2;
  return (2.05e11 * ((Math.PI * d ** 4) / 64) * Math.PI ** 2) / (tension * l * l);
}

test('a gauge is what its stiffness comes from, whatever pitch and length', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.2, max: 0.6, noNaN: true }),
      fc.double({ min: 80, max: 700, noNaN: true }),
      fc.double({ min: 320, max: 900, noNaN: true }),
      (gauge, hz, length) => {
        expect(gaugeByPartials(stiffness(gauge, hz, length), hz, length)).toBeCloseTo(gauge, 9);
      },
    ),
    runs(200),
  );
});

test('the pull is that of the set at the pitch that is heard', () => {
  const at = pulls(c);
  for (const number of [1, 2, 3, 4, 5, 6])
    expect(heardString(c, number, hzOf(number), 0)?.pull).toBeCloseTo(at[6 - number] ?? 0, 6);
  // A tone lower pulls less, with the square of the pitch.
  expect(heardString(c, 6, hzOf(6) * 2 ** (-2 / 12), 0)?.pull).toBeCloseTo((at[0] ?? 0) * 2 ** (-4 / 12), 6);
});

/** A round in which the open strings are heard, one of them of another gauge than was said. */
function heardRound(gauges: Readonly<Record<number, number>>, method: 'open' | 'harmonic'): EarRound {
  const wish = { tuning: '', pitch: 440, method, firstString: 'lowest', tune: false, nut: false } as const;
  let round = beginEarRound(earPlan(c, { ...wish, only: Object.keys(gauges).map(Number) }));
  for (const s of round.plan.strings) {
    const length = scaleOf(c, 6 - s.number) + c.compensation;
    const own = stiffness(gauges[s.number] ?? 0, s.hz, length);
    const [f0, b] = method === 'open' ? [s.hz, own] : [2 * s.hz, 4 * own];
    for (let seed = 1; seed <= 2; seed++) {
      const sound = pluckSound({ f0, b, at: 0.13 }, 1.2, 44_100, seed);
      round = hearPluck(round, hear(sound, { hz: [f0], within: 120 }));
    }
    const fretted = pluckSound({ f0: 2 * s.hz, b: 4 * own, at: 0.13 }, 1.2, 44_100, 5);
    for (let i = 0; i < 2; i++) round = hearPluck(round, hear(fretted, { hz: [2 * s.hz], within: 120 }));
  }
  return round;
}

test.each(['open', 'harmonic'] as const)(
  'another string than was said is doubted, the right one not (%s)',
  (method) => {
    const [first, second] = [c.strings[5]?.gauge ?? 0, c.strings[4]?.gauge ?? 0];
    const right = sayHeardSet(c, heardRound({ 2: second, 1: first }, method));
    expect(right.doubts).toEqual([]);
    expect(right.pulls).toMatch(/2 B \d+ N, 1 E \d+ N\.$/);
    const wrong = sayHeardSet(c, heardRound({ 2: second, 1: 1.4 * first }, method));
    expect(wrong.doubts).toHaveLength(1);
    expect(wrong.doubts[0]).toContain('String 1 E sounds like about');
  },
);

test('wound strings and silence tell no gauge', () => {
  expect(heardString(c, 6, hzOf(6), 1e-4)).toMatchObject({ gauge: null, fits: true });
  expect(heardString(c, 1, hzOf(1), 0)).toMatchObject({ gauge: null, fits: true });
  expect(heardString(c, 1, 0, 0)).toBeNull();
});
