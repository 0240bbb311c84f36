import fc from 'fast-check';
import { nutLayout, type NutLayout } from './nut-layout.ts';
import { nutSlot } from './nut-slot.ts';

const SIX = [1.35, 1.07, 0.81, 0.61, 0.41, 0.3];

const laid = (...args: Parameters<typeof nutLayout>): NutLayout => {
  const made = nutLayout(...args);
  if (!made.ok) throw new Error(made.error.message);
  return made.value;
};

const steps = (n: readonly number[]) => n.slice(1).map((x, i) => x - (n[i] ?? 0));

describe('nutLayout', () => {
  test('six strings of 1 mm on 36 mm leave six between', () => {
    expect(laid(36, Array(6).fill(1), 'gaps').gaps).toEqual(Array(5).fill(expect.closeTo(6, 12)));
    expect(laid(36, Array(6).fill(1), 'centres').centres[1]).toBeCloseTo(7.5, 12);
  });

  test.each(['centres', 'gaps'] as const)('by %s the outer strings touch the edges', (by) => {
    const { centres } = laid(36, SIX, by);
    expect((centres[0] ?? 0) - 1.35 / 2).toBeCloseTo(0, 12);
    expect((centres[5] ?? 0) + 0.3 / 2).toBeCloseTo(36, 12);
  });

  test('by gaps the clear distances are equal, by centres the steps are', () => {
    const gauges = fc.array(fc.double({ min: 0.2, max: 2, noNaN: true }), { minLength: 2, maxLength: 8 });
    fc.assert(
      fc.property(gauges, (g) => {
        const gaps = laid(60, g, 'gaps').gaps;
        for (const gap of gaps) expect(gap).toBeCloseTo(gaps[0] ?? 0, 9);
        const even = steps(laid(60, g, 'centres').centres);
        for (const s of even) expect(s).toBeCloseTo(even[0] ?? 0, 9);
      }),
    );
  });

  test('gaps and gauges fill the width', () => {
    const { gaps } = laid(36, SIX, 'centres');
    expect([...gaps, ...SIX].reduce((a, b) => a + b, 0)).toBeCloseTo(36, 12);
  });

  const TWELVE = [0.69, 1.19, 0.46, 0.99, 0.3, 0.76, 0.2, 0.58, 0.36, 0.36, 0.25, 0.25];

  test.each(['centres', 'gaps'] as const)('twelve strings by %s stand in pairs', (by) => {
    const { centres, gaps } = laid(40, TWELVE, by, { size: 2, spread: 2 });
    for (let c = 0; c < 12; c += 2) expect((centres[c + 1] ?? 0) - (centres[c] ?? 0)).toBeCloseTo(2, 12);
    expect((centres[0] ?? 0) - 0.69 / 2).toBeCloseTo(0, 12);
    expect((centres[11] ?? 0) + 0.25 / 2).toBeCloseTo(40, 12);
    const between =
      by === 'gaps' ? gaps.filter((_, i) => i % 2 === 1) : steps(centres.filter((_, i) => i % 2 === 0));
    for (const b of between) expect(b).toBeCloseTo(between[0] ?? 0, 9);
  });

  test('one course alone stands in the middle of what it leaves', () => {
    expect(laid(10, [1, 1], 'gaps', { size: 2, spread: 3 }).centres).toEqual([3.5, 6.5]);
  });

  test.each([
    ['strings that do not make courses', 40, [1, 1, 1], { size: 2, spread: 2 }, 'courses'],
    ['strings thicker than the width', 2, SIX, undefined, 'width'],
    ['pairs closer than their strings are thick', 40, [1, 1, 1, 1], { size: 2, spread: 0.5 }, 'courses'],
  ])('%s are refused', (_, width, gauges, courses, field) => {
    expect(nutLayout(width, gauges, 'gaps', courses)).toMatchObject({ ok: false, error: { field } });
  });
});

describe('what overlaps', () => {
  test.each([
    ['the first pair inside', 40, [1, 1, 1, 1], { size: 2, spread: 0.5 }, 'courses', '1 and 2'],
    ['the second pair inside', 40, [0.4, 0.4, 1, 1], { size: 2, spread: 0.5 }, 'courses', '3 and 4'],
    ['one pair and the next', 4.4, [1, 1, 1, 1], { size: 2, spread: 1.5 }, 'width', '2 and 3'],
    ['single strings', 2, [1, 1, 1], undefined, 'width', '1 and 2'],
  ] as const)('%s is named from the bass', (_, width, gauges, courses, field, which) => {
    expect(nutLayout(width, gauges, 'gaps', courses)).toMatchObject({
      ok: false,
      error: { field, message: `strings ${which} from the bass would overlap` },
    });
  });

  test('strings that just touch do not overlap', () => {
    expect(laid(3, [1, 1, 1], 'gaps').gaps).toEqual([0, 0]);
  });
});

describe('nutSlot', () => {
  test.each([
    [3, 1.5451],
    [2, 2.0595],
  ])('held at %d each gap is %d of slot', (heldAt, perGap) => {
    expect(nutSlot(heldAt, 0.2, 0.1).perGap).toBeCloseTo(perGap, 3);
    expect(nutSlot(heldAt, 0.2, 0.1).deeper).toBeCloseTo(0.1 * perGap, 4);
  });

  test('cut by what it says, the gap is the target', () => {
    fc.assert(
      fc.property(fc.constantFrom(2, 3), fc.double({ min: 0.05, max: 1, noNaN: true }), (heldAt, gap) => {
        const { deeper, perGap } = nutSlot(heldAt, gap, 0.08);
        const slot = gap * perGap;
        expect((slot - deeper) / perGap).toBeCloseTo(0.08, 12);
      }),
    );
  });

  test('a slot too deep is negative; held at fret 1 nothing can be seen', () => {
    expect(nutSlot(3, 0.05, 0.1).deeper).toBeLessThan(0);
    expect(() => nutSlot(1, 0.2, 0.1)).toThrow(RangeError);
  });
});
