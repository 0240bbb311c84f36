import { frequenciesOf, STRING_SETS } from '../strings/string-sets.ts';
import { predictedCents } from './predicted.ts';
import { setCompensation } from './set-compensation.ts';

const NECK = { scale: 648, nut: 0.5, saddle: 3.8, relief: 0, pressDepth: 0 };
const NOTES = ['E2', 'A2', 'D3', 'G3', 'B3', 'E4'];

test('every string of a set is in tune at the 12th with its own compensation', () => {
  const set = STRING_SETS.find((s) => s.id === 'acoustic-12')?.strings ?? [];
  const pitches = frequenciesOf(NOTES);
  const found = setCompensation(NECK, set, pitches);
  expect(found).toHaveLength(6);
  for (const [i, compensation] of found.entries()) {
    const string = { ...set[i], frequency: pitches[i] ?? 0 } as Parameters<
      typeof predictedCents
    >[0]['string'];
    const [at12] = predictedCents({ ...NECK, string, compensation: compensation ?? 0 }, [12]);
    expect(at12?.total).toBeCloseTo(0, 8);
    expect(compensation).toBeGreaterThan(1);
    expect(compensation).toBeLessThan(7);
  }
  // The plain second, thicker than the first, wants more than it.
  expect(found[4]).toBeGreaterThan(found[5] ?? 0);
});

test('one pitch for each string', () => {
  expect(() => setCompensation(NECK, [], [440])).toThrow(RangeError);
});
