import fc from 'fast-check';
import { concerns } from './concerns.ts';

describe('whether a screen looks again', () => {
  test.each([
    ['a reading of the job it shows', 'reading taken', 412, 412, true],
    ['a reading of another job', 'reading taken', 405, 412, false],
    ['an answer on another job', 'item answered', 405, 412, false],
    ['a target of another job', 'target set', 405, 412, false],
    ['a round’s conditions on another job', 'conditions set', 405, 412, false],
    ['readings carried forward on another job', 'readings carried forward', 405, 412, false],
    ['a question on another job, which may ring the bell', 'remark made', 405, 412, true],
    ['a step finished on another job, which may begin a rest', 'step finished', 405, 412, true],
    ['the house', 'targets saved', null, 412, true],
    ['a reading, where all jobs are shown', 'reading taken', 405, null, true],
  ] as const)('%s', (_name, kind, job, shown, expected) => {
    expect(concerns({ kind, job }, shown)).toBe(expected);
  });

  test('a screen that shows many jobs always does; so does one of the job itself', () => {
    const kind = fc.oneof(fc.constantFrom('reading taken', 'item answered', 'job moved'), fc.string());
    fc.assert(
      fc.property(kind, fc.nat(), (k, job) => {
        expect(concerns({ kind: k, job }, null)).toBe(true);
        expect(concerns({ kind: k, job }, job)).toBe(true);
        expect(concerns({ kind: k, job: null }, job)).toBe(true);
      }),
    );
  });
});
