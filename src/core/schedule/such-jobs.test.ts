import fc from 'fast-check';
import type { OperationId } from '../catalogue/operation-ids.ts';
import { OPERATIONS } from '../catalogue/operations.ts';
import { suchJobs, type PastJob } from './such-jobs.ts';

const past = (kind: string, minutes: Partial<Record<OperationId, number>>): PastJob => ({
  kind,
  minutes: new Map(Object.entries(minutes) as [OperationId, number][]),
});
const basses = [60, 70, 80, 90, 100].map((rod) => past('bass', { rod, 'play-test': 20 }));

test('too few of a kind say nothing; another kind says nothing of this one', () => {
  expect(suchJobs(basses.slice(1), 'bass', [], OPERATIONS)).toBeNull();
  expect(suchJobs(basses, 'nylon', [], OPERATIONS)).toBeNull();
  expect(suchJobs([...basses.slice(1), past('bass', {})], 'bass', [], OPERATIONS)).toBeNull();
});

test('what such jobs took in all, by the middle four fifths', () => {
  expect(suchJobs(basses, 'bass', [], OPERATIONS)).toEqual({
    count: 5,
    often: [],
    rest: { low: 80, likely: 100, high: 120 },
  });
});

test('what half of them had besides is a step of its own, and not in the rest', () => {
  const hunted = basses.map((b, i) =>
    i < 3 ? past('bass', { ...Object.fromEntries(b.minutes), socket: 30 }) : b,
  );
  expect(suchJobs(hunted, 'bass', [], OPERATIONS)).toMatchObject({
    often: ['socket'],
    rest: { likely: 100 },
  });
  expect(suchJobs(hunted.slice(0, 5), 'bass', ['socket'], OPERATIONS)).toMatchObject({ often: [], count: 5 });
});

test('those with the same work count for themselves where there are enough', () => {
  const glued = [200, 210, 220, 230, 240].map((rod) => past('bass', { rod, 'crack-glue': 60 }));
  const all = [...basses, ...glued];
  expect(suchJobs(all, 'bass', ['crack-glue'], OPERATIONS)).toMatchObject({
    count: 5,
    rest: { likely: 220 },
  });
  expect(suchJobs(all, 'bass', ['refret'], OPERATIONS)?.count).toBe(10);
});

test('of many the newest speak', () => {
  const lately = Array.from({ length: 60 }, () => past('bass', { rod: 30 }));
  const before = Array.from({ length: 60 }, () => past('bass', { rod: 300 }));
  expect(suchJobs([...lately, ...before], 'bass', [], OPERATIONS)).toMatchObject({
    count: 60,
    rest: { low: 30, high: 30 },
  });
});

test('whatever went home: low ≤ likely ≤ high, and what is named is never counted twice', () => {
  const ids = OPERATIONS.map((o) => o.id);
  const job = fc
    .dictionary(fc.constantFrom(...ids), fc.integer({ min: 0, max: 400 }), { maxKeys: 6 })
    .map((m) => past('bass', m));
  fc.assert(
    fc.property(fc.array(job, { maxLength: 12 }), fc.subarray([...ids], { maxLength: 2 }), (jobs, named) => {
      const such = suchJobs(jobs, 'bass', named, OPERATIONS);
      if (such === null) return;
      expect(such.rest.low <= such.rest.likely && such.rest.likely <= such.rest.high).toBe(true);
      expect(such.often.some((o) => named.includes(o))).toBe(false);
    }),
  );
});
