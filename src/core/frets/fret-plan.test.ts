import { fretLevel } from './fret-level.ts';
import { fretPlan } from './fret-plan.ts';
import { compareStrategies } from './strategies.ts';

const SCALE = 648;
const tops = (fret: number, height: number) => ({
  fret,
  bass: height,
  middle: height,
  treble: height,
  height: 1.1,
});

describe('the fret plan', () => {
  test.each([0, 1, 2])('tells no surface of %d frets', (count) => {
    expect(
      fretPlan(
        SCALE,
        Array.from({ length: count }, (_, i) => tops(i + 1, 1)),
        0.8,
        1.2,
      ),
    ).toBeNull();
  });

  test('of three or more is the level optimum and every way compared, of the same frets', () => {
    const frets = [tops(1, 1), tops(2, 1.05), tops(3, 1), tops(4, 0.98)];
    const plan = fretPlan(SCALE, frets, 0.8, 1.2);
    expect(plan?.frets).toBe(frets);
    expect(plan?.level).toEqual(fretLevel(SCALE, frets, 0.8));
    expect(plan?.strategies).toEqual(
      compareStrategies({ scale: SCALE, frets, minimumHeight: 0.8, newHeight: 1.2 }),
    );
    expect(fretPlan(SCALE, frets.slice(0, 3), 0.8, 1.2)).not.toBeNull();
  });
});
