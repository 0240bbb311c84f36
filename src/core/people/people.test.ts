import fc from 'fast-check';
import { afterWrongPin, FREE_TRIES, isLocked, type PinTrouble } from './lock-out.ts';
import { may, PERMISSIONS, ROLES } from './roles.ts';

const MINUTE = 60_000;

describe('wrong PINs', () => {
  test.each([
    [1, null],
    [4, null],
    [5, 1],
    [6, 2],
    [7, 4],
    [9, 16],
    [10, 30],
    [11, 30],
    [500, 30],
  ] as const)('after %d of them the name is locked for %s minutes', (tries, minutes) => {
    let trouble: PinTrouble = { failed: 0, lockedUntil: null };
    for (let i = 0; i < tries; i++) trouble = afterWrongPin(trouble, 0, 1000);
    expect(trouble).toEqual({
      failed: tries,
      lockedUntil: minutes === null ? null : 1000 + minutes * MINUTE,
    });
  });

  test('wrong ones on other tablets count, and the first here locks for a minute at most', () => {
    const none = { failed: 0, lockedUntil: null };
    expect(afterWrongPin(none, 3, 0).lockedUntil).toBeNull();
    expect(afterWrongPin(none, 4, 0)).toEqual({ failed: 1, lockedUntil: MINUTE });
    expect(afterWrongPin(none, 400, 0)).toEqual({ failed: 1, lockedUntil: MINUTE });
    expect(afterWrongPin({ failed: 1, lockedUntil: null }, 400, 0).lockedUntil).toBe(30 * MINUTE);
  });

  test('a lock ends at its moment, and is never shorter for a further wrong one', () => {
    expect(isLocked({ failed: 5, lockedUntil: 100 }, 99)).toBe(true);
    expect(isLocked({ failed: 5, lockedUntil: 100 }, 100)).toBe(false);
    expect(isLocked({ failed: 4, lockedUntil: null }, 0)).toBe(false);
    // The clock was set back by a day meanwhile.
    expect(isLocked({ failed: 9, lockedUntil: 24 * 60 * MINUTE }, 0)).toBe(false);
    fc.assert(
      fc.property(fc.integer({ min: FREE_TRIES, max: 60 }), (failed) => {
        const [one, more] = [failed, failed + 1].map((f) =>
          afterWrongPin({ failed: f, lockedUntil: null }, 0, 0),
        );
        expect(more?.lockedUntil).toBeGreaterThanOrEqual(one?.lockedUntil ?? NaN);
      }),
    );
  });
});

describe('what a role may do', () => {
  const granted = Object.fromEntries(ROLES.map((r) => [r, PERMISSIONS.filter((p) => may(r, p))]));
  test('is what the written policy says', () => {
    expect(granted).toEqual({
      desk: ['see', 'take-in', 'approve', 'hand-over'],
      technician: ['see', 'take-in', 'inspect', 'measure', 'plan', 'work', 'hand-over'],
      lead: ['see', 'take-in', 'inspect', 'measure', 'plan', 'approve', 'work', 'hand-over', 'house'],
      owner: [...PERMISSIONS],
    });
  });
});
