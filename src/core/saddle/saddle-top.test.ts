import fc from 'fast-check';
import { pilotHole } from '../wood/pilot-hole.ts';
import { breakAngle } from './break-angle.ts';
import { arcOver, radiusAt, saddleTop } from './saddle-top.ts';
import { slotFloor } from './slot-floor.ts';

describe('saddleTop', () => {
  test('the outer strings stand at bass and treble, whatever the arc', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 2000, noNaN: true }),
        fc.integer({ min: 2, max: 12 }),
        (radius, n) => {
          const heights = saddleTop(radius, 54, n, 11, 10);
          expect(heights[0]).toBeCloseTo(11, 9);
          expect(heights.at(-1)).toBeCloseTo(10, 9);
        },
      ),
    );
  });

  test('level strings lie on one circle of that radius', () => {
    const heights = saddleTop(300, 54, 6, 10, 10);
    const centre = 10 - Math.sqrt(300 ** 2 - 27 ** 2);
    for (const [i, h] of heights.entries()) {
      expect(Math.hypot(-27 + (54 * i) / 5, h - centre)).toBeCloseTo(300, 9);
    }
  });

  test('flat is the limit of a great radius', () => {
    const flat = saddleTop('flat', 54, 6, 11, 10);
    const great = saddleTop(1e7, 54, 6, 11, 10);
    for (const [i, h] of flat.entries()) expect(great[i]).toBeCloseTo(h, 4);
    expect(arcOver('flat', 27, 0)).toBe(0);
  });

  test('one string stands in the middle', () => {
    expect(saddleTop('flat', 10, 1, 8, 6)).toEqual([7]);
  });

  test('an arc that cannot reach over the strings is refused', () => {
    expect(() => saddleTop(27, 54, 6, 10, 10)).toThrow(RangeError);
  });

  test('a compound board goes on to the saddle as the cone it is', () => {
    const c = { nutRadius: 254, endRadius: 406, boardLength: 460 };
    expect(radiusAt(c, 0)).toBe(254);
    expect(radiusAt(c, 460)).toBe(406);
    expect(radiusAt(c, 650)).toBeCloseTo(254 + (152 * 650) / 460, 12);
  });
});

describe('small sums', () => {
  test.each([
    [3, 12, 14.0362],
    [0, 10, 0],
    [10, 10, 45],
  ])('%d over %d is %d degrees', (rise, run, degrees) => {
    expect(breakAngle(rise, run)).toBeCloseTo(degrees, 3);
  });

  test.each([
    [9, 5, 1, 3, true],
    [9, 5, 1.6, 2.4, true],
    [9, 5, 1.7, 2.3, false],
    [9, 8, 3, -2, false],
  ])('bridge %d, slot %d, shaved %d leaves %d', (bridge, slot, shave, floor, ok) => {
    const left = slotFloor(bridge, slot, shave, 2.4 - 1e-12);
    expect(left.floor).toBeCloseTo(floor, 12);
    expect(left.ok).toBe(ok);
  });

  test.each([
    [3, 'hard', undefined, 2.1, 12],
    [3, 'soft', undefined, 1.89, 18],
    [4, 'hard', 3, 3, 16],
    [4, 'soft', 3, 2.7, 24],
  ] as const)('a %d mm screw in %s wood, root %s', (screw, wood, root, drill, depthFor) => {
    const hole = pilotHole(screw, wood, root);
    expect(hole.drill).toBeCloseTo(drill, 12);
    expect(hole.depthFor).toBe(depthFor);
  });
});
