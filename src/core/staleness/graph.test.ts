import fc from 'fast-check';
import { QUANTITIES, type Quantity } from '../readings/quantities.ts';
import { DEPENDS_ON, movedBy, movedByAll, MOVED_THINGS, readAgainOrder } from './graph.ts';
import { staleReasons } from './stale.ts';

const things = fc.subarray([...MOVED_THINGS]);
const quantities = fc.array(fc.constantFrom(...QUANTITIES), { maxLength: 12 });

describe('what makes a reading stale', () => {
  test.each([
    ['rod', ['relief', 'action', 'nut-gap', 'intonation']],
    ['strings', ['relief', 'action', 'intonation', 'vibrato-float']],
    ['neck', ['relief', 'action', 'neck-angle', 'intonation']],
    ['frets', ['fret-height', 'relief', 'action', 'nut-gap']],
    ['nut', ['nut-gap', 'intonation']],
    ['saddle-height', ['action', 'intonation', 'break-angle', 'saddle-standout', 'pickup-height']],
    ['saddle-contact', ['intonation']],
    ['pickups', ['pickup-height']],
    ['springs', ['vibrato-float', 'action']],
  ] as const)('%s moves at least what the bench knows', (thing, moved) => {
    for (const q of moved) expect(movedBy(thing).has(q)).toBe(true);
  });

  test.each([
    ['saddle-contact', 'action'],
    ['saddle-height', 'relief'],
    ['nut', 'relief'],
    ['pickups', 'action'],
    ['rod', 'saddle-standout'],
    ['strings', 'fret-height'],
  ] as const)('%s does not move %s', (thing, q) => {
    expect(movedBy(thing).has(q)).toBe(false);
  });

  test('all things together move what each does: in any order, no less with more of them', () => {
    fc.assert(
      fc.property(things, things, (a, b) => {
        const both = movedByAll([...a, ...b]);
        expect(movedByAll([...b, ...a])).toEqual(both);
        expect(movedByAll([...a, ...b, ...a])).toEqual(both);
        for (const q of movedByAll(a)) expect(both.has(q)).toBe(true);
      }),
    );
  });

  test('several things move the union of what each moves, and nothing moves nothing', () => {
    expect(movedByAll([])).toEqual(new Set());
    fc.assert(
      fc.property(things, (a) => {
        expect(movedByAll(a)).toEqual(new Set(a.flatMap((t) => [...movedBy(t)])));
      }),
    );
  });

  test('what hangs on something stale is stale itself', () => {
    for (const thing of MOVED_THINGS) {
      const moved = movedBy(thing);
      for (const [q, on] of Object.entries(DEPENDS_ON))
        if (on.some((o) => moved.has(o))) expect(moved.has(q as Quantity)).toBe(true);
    }
  });
});

describe('readAgainOrder', () => {
  test('nothing stands before what it hangs on; nothing is lost or doubled; twice is the same', () => {
    fc.assert(
      fc.property(quantities, (given) => {
        const order = readAgainOrder(given);
        expect(new Set(order)).toEqual(new Set(given));
        expect(new Set(order).size).toBe(order.length);
        expect(readAgainOrder(order)).toEqual(order);
        order.forEach((q, i) => {
          for (const on of DEPENDS_ON[q] ?? [])
            if (order.includes(on)) expect(order.indexOf(on)).toBeLessThan(i);
        });
      }),
    );
  });

  test('of a setup', () => {
    expect(readAgainOrder(['intonation', 'pickup-height', 'action', 'nut-gap', 'relief'])).toEqual([
      'relief',
      'action',
      'nut-gap',
      'intonation',
      'pickup-height',
    ]);
  });
});

describe('staleReasons over rounds and operations', () => {
  const op = fc.record({
    title: fc.constantFrom('Rod', 'Nut', 'Saddle'),
    stale: fc.subarray<Quantity>(['relief', 'action', 'intonation']),
    at: fc.nat(100),
  });
  const read = fc.record({
    quantity: fc.constantFrom<Quantity>('relief', 'action', 'intonation'),
    takenAt: fc.nat(100),
  });

  test('more work never makes fewer readings stale; the order of the list says nothing', () => {
    fc.assert(
      fc.property(fc.array(read), fc.array(op), fc.array(op), (readings, some, more) => {
        const few = staleReasons(readings, some);
        const all = staleReasons(readings, [...some, ...more]);
        few.forEach((why, i) => {
          if (why !== null) expect(all[i]).not.toBeNull();
        });
        const turned = staleReasons(readings, [...more, ...some].reverse());
        expect(turned.map((w) => w?.since)).toEqual(all.map((w) => w?.since));
        const fresh = readings.map((r) => ({ ...r, takenAt: 101 }));
        expect(staleReasons(fresh, [...some, ...more]).every((w) => w === null)).toBe(true);
      }),
    );
  });
});
