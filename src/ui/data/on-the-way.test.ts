import type { Change } from '../../contracts/concerns.ts';
import { OWN_LEAVES_ONLY } from '../../contracts/made/command-facts.ts';
import { OnTheWay } from './on-the-way.ts';

/** A change that only the leaves of its own job show. */
const own = (job: number): Change => ({ kind: OWN_LEAVES_ONLY[0], job });
const WHOLE: Change = { kind: 'missed', job: null };

const arrived = (
  how: 'push' | 'replace' | 'traverse',
  heard: readonly Change[],
  shown: number | null = 408,
  loadsItself = true,
): boolean => {
  const way = new OnTheWay();
  way.leave(how);
  way.hear(heard);
  return way.arrive(shown, loadsItself);
};

test.each([
  ['nothing was heard', [], false],
  ['another job’s leaf changed', [own(409)], false],
  ['the job’s own leaf changed', [own(409), own(408)], true],
  ['something of the whole house changed', [WHOLE], true],
  ['more was heard than is kept', Array.from({ length: 200 }, () => own(409)), true],
] as const)('a page arrived, and on its way %s', (_, heard, again) => {
  expect(arrived('push', heard)).toBe(again);
});

test('what shows many jobs looks again at any change', () => {
  expect(arrived('push', [own(409)], null)).toBe(true);
});

test('gone back to, a page the house made whole is looked at again; one that loads itself does so anyway', () => {
  expect(arrived('traverse', [], null, false)).toBe(true);
  expect(arrived('traverse', [], 408, true)).toBe(false);
  expect(arrived('push', [], null, false)).toBe(false);
});

test('what was heard before one left, or after the page was there, is no matter of the way', () => {
  const way = new OnTheWay();
  way.hear([own(408)]);
  way.leave('push');
  expect(way.arrive(408, true)).toBe(false);
  way.hear([own(408)]);
  expect(way.arrive(408, true)).toBe(false);
});

test('leaving again before the page came forgets nothing', () => {
  const way = new OnTheWay();
  way.leave('push');
  way.hear([own(410)]);
  way.leave('push');
  expect(way.arrive(410, true)).toBe(true);
});
