import { QUANTITIES } from '../readings/quantities.ts';
import { OPERATION_IDS, type OperationId } from './operation-ids.ts';
import { OPERATIONS, operation } from './operations.ts';

/** Everything an operation waits for, through all that those wait for. */
function before(id: OperationId, seen = new Set<OperationId>()): Set<OperationId> {
  for (const need of operation(id).needs) {
    if (seen.has(need)) continue;
    seen.add(need);
    before(need, seen);
  }
  return seen;
}

describe('the catalogue', () => {
  test('has every operation once, and at least forty-five', () => {
    expect(OPERATIONS.map((o) => o.id).sort()).toEqual([...OPERATION_IDS].sort());
    expect(new Set(OPERATIONS.map((o) => o.name)).size).toBe(OPERATIONS.length);
    expect(OPERATIONS.length).toBeGreaterThanOrEqual(45);
  });

  test.each(OPERATIONS.map((o) => [o.id, o] as const))('%s is whole', (id, o) => {
    expect(before(id).has(id)).toBe(false);
    expect(o.minutes.low).toBeGreaterThan(0);
    expect(o.minutes.likely).toBeGreaterThanOrEqual(o.minutes.low);
    expect(o.minutes.high).toBeGreaterThanOrEqual(o.minutes.likely);
    expect(Number.isInteger(o.price + o.parts + o.wait)).toBe(true);
    for (const q of o.stale) expect(QUANTITIES).toContain(q);
    if (!o.reversible) expect([id, o.hazards.length]).not.toEqual([id, 0]);
  });

  test.each([
    ['fret-dress', 'rod'],
    ['nut-slots', 'fret-dress'],
    ['saddle-lower', 'nut-slots'],
    ['intonate', 'saddle-lower'],
    ['play-test', 'intonate'],
    ['refret', 'board-plane'],
  ] as const)('%s comes after %s, in the order of a setup too', (late, early) => {
    expect(before(late).has(early)).toBe(true);
    expect(operation(late).order).toBeGreaterThan(operation(early).order);
  });
});
