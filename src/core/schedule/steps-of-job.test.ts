import { OPERATIONS, operation } from '../catalogue/operations.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import fc from 'fast-check';
import { wallClock } from '../days/zone.ts';
import { NO_FACTS } from '../job/leaves.ts';
import type { Answers } from './answers.ts';
import {
  endOfDay,
  jobToPlan,
  NEW_JOB,
  measuredMinutes,
  type JobToPlan,
  type LineToPlan,
  type PlanningDay,
} from './steps-of-job.ts';

// A Wednesday at nine.
const from = Date.parse('2026-12-02T09:00:00Z');
const day: PlanningDay = {
  from,
  zone: 'UTC',
  closes: () => 18 * 60,
  catalogue: OPERATIONS,
  measured: new Map(),
  puts: new Map(),
  workers: new Set([1, 2]),
};
const line = (id: number, operation: LineToPlan['operation'], more: Partial<LineToPlan> = {}): LineToPlan => {
  const op = OPERATIONS.find((o) => o.id === operation);
  return {
    id,
    operation,
    title: op?.name ?? '',
    sort: id,
    minutes: op?.minutes.likely ?? 0,
    approval: 'yes',
    step: 'ready',
    spent: 0,
    begunBy: null,
    askedAt: null,
    finishedAt: null,
    stops: null,
    agreed: op ?? null,
    ...more,
  };
};
const job = (more: Partial<JobToPlan> = {}): JobToPlan => ({ ...NEW_JOB, id: 7, number: 407, ...more });
const steps = (more: Partial<JobToPlan>, at: Partial<PlanningDay> = {}) =>
  jobToPlan(job(more), { ...day, ...at }).steps;

describe('before there is an order', () => {
  test('it is looked at, read, set up, checked', () => {
    expect(steps({}).map((s) => [s.id, s.guess])).toEqual([
      ['look:7', false],
      ['read:7', false],
      ['guess:7:setup', true],
      ['check:7', false],
    ]);
  });

  test('what was done is not planned again, and findings bring what they ask for', () => {
    const facts = { ...NO_FACTS, inspectionFinished: true, read: 4, stations: 4 };
    const asked = OPERATIONS.find((o) => !o.plain && o.askedBy.length > 0);
    const ids = steps({ facts, findings: asked?.askedBy.slice(0, 1) ?? [] }).map((s) => s.id);
    expect(ids).toContain(`guess:7:${asked?.id ?? ''}`);
    expect(ids.some((id) => id.startsWith('look') || id.startsWith('read'))).toBe(false);
    expect(steps({ wanted: ['neck-clamp'] }).map((s) => s.id)).toContain('guess:7:neck-clamp');
  });

  test('what goes beyond a setup waits for their yes: after it is read, or from now on where it was', () => {
    const ids = (all: ReturnType<typeof steps>) =>
      all.map((s) => [s.id, s.asks === true, s.waits?.for ?? null]);
    expect(ids(steps({ wanted: ['bridge-reglue'] }))).toEqual([
      ['look:7', false, null],
      ['read:7', true, null],
      ['guess:7:bridge-reglue', false, null],
      ['guess:7:setup', false, null],
      ['check:7', false, null],
    ]);
    const facts = { ...NO_FACTS, inspectionFinished: true, read: 4, stations: 4 };
    expect(ids(steps({ facts, wanted: ['bridge-reglue'] }))[0]).toEqual([
      'guess:7:bridge-reglue',
      false,
      'word',
    ]);
    expect(ids(steps({ facts }))[0]).toEqual(['guess:7:setup', false, null]);
    const answers = { plain: { low: 0, likely: 60, high: 600 }, beyond: null };
    expect(ids(steps({ facts }, { answers }))[0]).toEqual(['guess:7:setup', false, 'word']);
  });

  test('a job on its way home, and one that is signed, has nothing left', () => {
    expect(steps({ waitingFor: 'home' })).toEqual([]);
    expect(steps({ facts: { ...NO_FACTS, signed: true } })).toEqual([]);
  });
});

describe('an order', () => {
  test('goes in the order of the work, each step after the one before, with rests and places', () => {
    const lines = [line(3, 'restring'), line(2, 'neck-clamp'), line(1, 'strings-off')];
    const found = steps({ lines });
    expect(found.map((s) => s.id)).toEqual(['line:1', 'line:2', 'line:3', 'check:7']);
    expect(found.map((s) => s.after)).toEqual([[], ['line:1'], ['line:2'], ['line:3']]);
    expect(found[1]).toMatchObject({ place: 'clamps', holds: true, wait: 4 * 1440, cut: false, skill: 2 });
    expect(found[3]).toMatchObject({ cut: true, holds: false });
  });

  test('what was worked on it is taken off, and who began it goes on; who has left does not', () => {
    const lines = [line(1, 'rod', { step: 'paused', spent: 4, begunBy: 2 })];
    expect(steps({ lines })[0]).toMatchObject({ only: [2], running: false, minutes: { likely: 6 } });
    expect(steps({ lines: [line(1, 'rod', { step: 'running', begunBy: 2 })] })[0]).toMatchObject({
      running: true,
    });
    const left = [line(1, 'rod', { step: 'running', begunBy: 9 })];
    expect(steps({ lines: left })[0]).toMatchObject({ only: null, running: false });
    expect(steps({ lines: [line(1, 'rod', { spent: 500 })] })[0]?.minutes).toEqual({
      low: 5,
      likely: 5,
      high: 5,
    });
  });

  test('what was asked waits for the answer, and what that stops waits with it; a no is gone', () => {
    const askedAt = from - 3 * 3_600_000;
    const lines = [
      line(1, 'rod'),
      line(2, 'saddle-lower', { approval: 'asked', askedAt, stops: 1 }),
      line(3, 'restring', { approval: 'no' }),
    ];
    const found = steps({ lines });
    expect(found.map((s) => [s.id, s.waits?.for ?? null])).toEqual([
      ['line:1', 'word'],
      ['line:2', 'word'],
      ['check:7', null],
    ]);
    // A day after it was asked is six in the morning: at eight. Who said nothing for ten days takes some more.
    expect(found[1]?.waits?.until.likely).toBe(23 * 60);
    const old = [line(2, 'rod', { approval: 'asked', askedAt: from - 10 * 86_400_000 })];
    expect(steps({ lines: old })[0]?.waits?.until.likely).toBe(5 * 1440);
    // The tag that says the same asks nothing anew.
    const both = steps({ lines: old, waitingFor: 'word' })[0]?.waits;
    expect(both?.until).toEqual(steps({ lines: old })[0]?.waits?.until);
  });

  test('an answer takes as long as customers take here, to a plain order as to one', () => {
    const answers = {
      plain: { low: 60, likely: 120, high: 240 },
      beyond: { low: 1440, likely: 4320, high: 8640 },
    };
    const likely = (operation: OperationId, own: Answers = answers): number | undefined =>
      steps({ lines: [line(1, operation, { approval: 'asked', askedAt: from })] }, { answers: own }).find(
        (s) => s.id === 'line:1',
      )?.waits?.until.likely;
    expect(likely('rod')).toBe(120);
    expect(likely('neck-reset')).toBe(4320);
    // Where plain ones are said at the counter, one that was asked all the same takes what the others do.
    expect(likely('rod', { ...answers, plain: null })).toBe(4320);
  });

  test('nobody answers at night, wherever the shop is and whatever its clocks do', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 500 * 1440 }),
        fc.integer({ min: 0, max: 10 * 1440 }),
        fc.constantFrom('UTC', 'Europe/Madrid', 'Pacific/Auckland', 'America/St_Johns'),
        (later, ago, zone) => {
          const now = from + later * 60_000;
          const lines = [line(1, 'rod', { approval: 'asked', askedAt: now - ago * 60_000 })];
          const found = steps({ lines }, { from: now, zone })[0]?.waits?.until;
          const until = found ?? { low: 0, likely: 0, high: 0 };
          expect(until.low).toBeGreaterThan(0);
          expect(until.likely).toBeGreaterThanOrEqual(until.low);
          expect(until.high).toBeGreaterThanOrEqual(until.likely);
          for (const minutes of Object.values(until)) {
            const { hour, minute } = wallClock(now + minutes * 60_000, zone);
            expect(hour * 60 + minute).toBeGreaterThanOrEqual(8 * 60);
            expect(hour * 60 + minute).toBeLessThan(21 * 60);
          }
        },
      ),
    );
  });

  test('the whole job waits for a part, a rest, a word, before its first step', () => {
    const lines = [line(1, 'rod')];
    const until = from + 2 * 86_400_000;
    expect(steps({ lines, waitingFor: 'time', waitingUntil: until })[0]?.waits).toEqual({
      for: 'rest',
      until: { low: 2880, likely: 2880, high: 2880 },
    });
    expect(steps({ lines, waitingFor: 'part', waitingUntil: until })[0]?.waits?.until.likely).toBe(2880);
    for (const waitingFor of ['time', 'part', 'word'] as const) {
      const waits = steps({ lines, waitingFor })[0]?.waits;
      expect(waits?.until.low).toBeLessThanOrEqual(waits?.until.likely ?? 0);
      expect(waits?.until.likely).toBeGreaterThan(0);
    }
  });

  test('a clamped neck may rest shorter or longer, glue does not; a wait the shop changed stays within its range', () => {
    const rests = (id: OperationId, more: object = {}) =>
      steps({ lines: [line(1, id, { agreed: { ...operation(id), ...more } })] }).find(
        (s) => s.id === 'line:1',
      )?.rests;
    expect(rests('neck-clamp')).toEqual({ low: 3 * 1440, likely: 4 * 1440, high: 5 * 1440 });
    expect(rests('neck-clamp', { wait: 1440 })).toEqual({ low: 1440, likely: 1440, high: 5 * 1440 });
    expect(rests('bridge-reglue')).toBeUndefined();
  });

  test('a rest after its own work is waited for, whatever its tag says, and the longer of both', () => {
    const glue = operation('bridge-reglue');
    const lines = [
      line(1, 'bridge-reglue', { step: 'finished', finishedAt: from - 60 * 60_000 }),
      line(2, 'rod'),
    ];
    const left = glue.wait - 60;
    for (const waitingFor of ['hands', 'time'] as const)
      expect(
        steps({ lines, waitingFor, waitingUntil: waitingFor === 'time' ? from : null })[0]?.waits,
      ).toEqual({
        for: 'rest',
        until: { low: left, likely: left, high: left },
      });
    const in9 = from + 9 * 86_400_000;
    expect(steps({ lines, waitingFor: 'part', waitingUntil: in9 })[0]?.waits).toMatchObject({ for: 'part' });
    const over = [
      line(1, 'bridge-reglue', { step: 'finished', finishedAt: from - glue.wait * 60_000 }),
      line(2, 'rod'),
    ];
    expect(steps({ lines: over })[0]?.waits).toBeNull();
  });

  test('a line waits for the last of its own parts, the others go on; what is for all stands before the first', () => {
    const lines = [line(1, 'rod'), line(2, 'restring')];
    const in2 = from + 2 * 86_400_000;
    const parts = [
      { lineId: 2, at: in2 },
      { lineId: 2, at: from + 86_400_000 },
    ];
    const found = steps({ lines, parts });
    expect(found.map((s) => s.waits?.for ?? null)).toEqual([null, 'part', null]);
    expect(found[1]?.waits?.until).toEqual({ low: 1440, likely: 2880, high: 2880 + 3 * 1440 });
    // Nobody knows when: as long as parts usually take. What should be here already comes at once, or some days later.
    expect(steps({ lines, parts: [{ lineId: null, at: null }] })[0]?.waits).toMatchObject({
      for: 'part',
      until: { likely: 5 * 1440 },
    });
    expect(steps({ lines, parts: [{ lineId: 1, at: from - 1 }] })[0]?.waits?.until.likely).toBe(0);
    // What should have been here the day before yesterday is not here now.
    const late = { waitingFor: 'part' as const, waitingUntil: from - 2 * 86_400_000 };
    expect(steps({ lines, ...late })[0]?.waits?.until.likely).toBe(5 * 1440);
    // A part and the customer's word: the later of the two.
    const asked = [line(1, 'rod', { approval: 'asked', askedAt: from })];
    const both = (waitingUntil: number) =>
      steps({ lines: asked, waitingFor: 'part', waitingUntil })[0]?.waits;
    expect(both(in2)?.for).toBe('part');
    expect(both(from + 3_600_000)?.for).toBe('word');
  });

  test('strings that go on or come off between two lines take their time, and are on no line', () => {
    const lines = [line(1, 'fret-dress'), line(2, 'saddle-lower'), line(3, 'intonate'), line(4, 'play-test')];
    const bare = steps({ lines, strings: 'off' });
    expect(bare.map((s) => s.id)).toEqual([
      'line:1',
      'strings:on:2',
      'line:2',
      'line:3',
      'line:4',
      'check:7',
    ]);
    expect(bare[1]).toMatchObject({ title: 'String it up', minutes: { likely: 15 }, guess: false });
    expect(steps({ lines })[0]).toMatchObject({ id: 'strings:off:1', title: 'Take the strings off' });
    // What was begun is strung as it has to be, and whoever puts a set on takes the old one off.
    const begun = [line(1, 'fret-dress', { step: 'paused', begunBy: 1, spent: 10 })];
    expect(steps({ lines: begun }).map((s) => s.id)).toEqual(['line:1', 'check:7']);
    expect(steps({ lines: [line(1, 'restring')] }).map((s) => s.id)).toEqual(['line:1', 'check:7']);
  });

  test('what somebody put stands; to whom has left, it does not', () => {
    const lines = [line(1, 'rod')];
    const put = (worker: number | null) =>
      new Map([['line:1', { worker, at: from + 60 * 60_000, minutes: null }]]);
    expect(steps({ lines }, { puts: put(1) })[0]).toMatchObject({ only: [1], pin: 60 });
    expect(steps({ lines }, { puts: put(9) })[0]).toMatchObject({ only: null, pin: 60 });
  });

  test('how long a step takes in all is said: what was worked on it counts, and it stays as doubtful', () => {
    const puts = (minutes: number) => new Map([['line:1', { worker: null, at: null, minutes }]]);
    const said = (minutes: number, spent: number) =>
      steps({ lines: [line(1, 'rod', { spent })] }, { puts: puts(minutes) })[0]?.minutes;
    const plain = steps({ lines: [line(1, 'rod')] })[0]?.minutes;
    expect(said(90, 0)?.likely).toBeCloseTo(90, 9);
    expect((said(90, 0)?.high ?? 0) / 90).toBeCloseTo((plain?.high ?? 0) / (plain?.likely ?? 1), 9);
    expect(said(90, 5)?.likely).toBeCloseTo(85, 9);
    expect(said(10, 500)).toEqual({ low: 5, likely: 5, high: 5 });
  });
});

test('a day ends when the shop closes; in a zone whose clocks change it is the wall that counts', () => {
  expect(endOfDay('2026-12-02', day)).toBe(9 * 60);
  // The last Sunday of March: the clocks go forward.
  const spring = { ...day, from: Date.parse('2027-03-27T08:00:00Z'), zone: 'Europe/Madrid' };
  expect(endOfDay('2027-03-29', spring) - endOfDay('2027-03-26', spring)).toBe(3 * 1440 - 60);
  expect(jobToPlan(job({ neededBy: '2026-12-03', promised: '2026-12-04' }), day)).toMatchObject({
    due: 9 * 60 + 1440,
    promised: 9 * 60 + 2 * 1440,
  });
});

test('the shop’s own minutes count where there are enough of them', () => {
  const times = [10, 12, 14, 16, 60].map((minutes) => ({ operation: 'rod', minutes }));
  expect(measuredMinutes(times).get('rod')).toEqual({ low: 10, likely: 14, high: 60 });
  expect(measuredMinutes(times.slice(1)).size).toBe(0);
  const lines = [line(1, 'rod')];
  expect(steps({ lines }, { measured: measuredMinutes(times) })[0]?.minutes).toEqual({
    low: 10,
    likely: 14,
    high: 60,
  });
});
