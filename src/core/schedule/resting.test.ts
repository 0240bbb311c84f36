import fc from 'fast-check';
import { OPERATIONS, operation } from '../catalogue/operations.ts';
import { newBoard, planOf } from './board.ts';
import { chancesOf, playThrough } from './chance.ts';
import { whatBreaks } from './plan-check.ts';
import { firstPlan, replan } from './place.ts';
import { restingOf, restsWithPlaces, takenBy, withTaken, type Resting } from './resting.ts';
import type { Spot } from './shop-work.ts';
import { mainReasons } from './why.ts';
import { whyMoved } from './why-moved.ts';
import { job, shop, shopHours, step, worker } from './work-for-tests.ts';

const MIN = 60_000;
const NOW = Date.UTC(2026, 10, 30, 9);
const line = (id: number, op: Parameters<typeof operation>[0], finishedAt: number | null) => ({
  id,
  operation: op,
  title: operation(op).name,
  agreed: null,
  finishedAt,
});
const spot = (id: string, kind = 'clamps', out: Spot['out'] = []): Spot => ({ id, name: id, kind, out });
const rest = (step: string, until: number, more: Partial<Resting> = {}): Resting => ({
  step,
  title: step,
  place: 'clamps',
  since: NOW - 60 * MIN,
  until,
  between: [until, until],
  ...more,
});

describe('what rests', () => {
  const glued = operation('bridge-reglue');

  test('a finished step rests as long as its operation says, and keeps its clamp', () => {
    const lines = [
      line(1, 'bridge-reglue', NOW - 60 * MIN),
      line(2, 'clean-body', NOW),
      line(3, 'rod', null),
    ];
    expect(restingOf(lines, OPERATIONS, NOW)).toEqual([
      {
        step: 'line:1',
        title: glued.name,
        place: 'clamps',
        since: NOW - 60 * MIN,
        until: NOW + (glued.wait - 60) * MIN,
        between: [NOW + (glued.wait - 60) * MIN, NOW + (glued.wait - 60) * MIN],
      },
    ]);
    expect(restingOf(lines, OPERATIONS, NOW + glued.wait * MIN)).toEqual([]);
  });

  test('a clamped neck may be ready sooner or later, never before now', () => {
    const day = 1440 * MIN;
    const clamped = (at: number) => restingOf([line(1, 'neck-clamp', NOW)], OPERATIONS, at)[0]?.between;
    expect(clamped(NOW)).toEqual([NOW + 3 * day, NOW + 5 * day]);
    expect(clamped(NOW + 3.5 * day)).toEqual([NOW + 3.5 * day, NOW + 5 * day]);
  });

  test('a week under tension keeps no place', () => {
    const week = OPERATIONS.find((o) => o.wait >= 7 * 1440 && o.place !== 'clamps' && o.place !== 'neck-jig');
    if (!week) throw new Error('nothing rests a week without a clamp');
    expect(restingOf([line(1, week.id, NOW)], OPERATIONS, NOW)[0]?.place).toBeNull();
  });
});

describe('places that are taken by what rests in them', () => {
  const spots = [spot('c1'), spot('c2'), spot('jig', 'neck-jig')];
  const jobs = (...resting: Resting[]) =>
    resting.map((r, i) => ({ id: i + 1, number: 401 + i, resting: [r] }));

  test('where its step was planned, else the first that is free', () => {
    const all = jobs(rest('line:1', NOW + MIN), rest('line:2', NOW + MIN));
    const where = (planned: Record<string, string>) =>
      takenBy(all, spots, new Map(Object.entries(planned))).map((t) => [t.number, t.spot]);
    expect(where({})).toEqual([
      [401, 'c1'],
      [402, 'c2'],
    ]);
    expect(where({ 'line:1': 'c2' })).toEqual([
      [401, 'c2'],
      [402, 'c1'],
    ]);
    // A place of another kind, or one that is no more, is none.
    expect(where({ 'line:1': 'jig', 'line:2': 'c9' })).toEqual([
      [401, 'c1'],
      [402, 'c2'],
    ]);
  });

  test('no two rest in one, none in a place of another kind, and more than there are take none', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('clamps', 'neck-jig', null), fc.constantFrom('c1', 'c2', 'jig')), {
          maxLength: 6,
        }),
        (all) => {
          const planned = new Map(all.map(([, at], i) => [`line:${i}`, at]));
          const taken = takenBy(
            jobs(...all.map(([place], i) => rest(`line:${i}`, NOW + MIN, { place }))),
            spots,
            planned,
          );
          expect(new Set(taken.map((t) => t.spot)).size).toBe(taken.length);
          for (const t of taken) expect(spots.find((s) => s.id === t.spot)?.kind).toBe(t.place);
          const asked = (kind: string) => all.filter(([place]) => place === kind).length;
          expect(taken).toHaveLength(Math.min(2, asked('clamps')) + Math.min(1, asked('neck-jig')));
        },
      ),
    );
  });
});

describe('a plan beside what rests', () => {
  const until = 3 * 1440;
  const resting = jobsTaken(until);
  function jobsTaken(minutes: number) {
    return takenBy(
      [{ id: 9, number: 409, resting: [rest('line:9', NOW + minutes * MIN)] }],
      [spot('c1')],
      new Map(),
    );
  }
  const glue = step('glue', 60, { place: 'clamps', wait: 600, holds: true, cut: false });
  const work = (spots: readonly Spot[], out: Spot['out'] = []) =>
    shop([worker(1)], [job(1, [glue], { due: 1440 })], {
      spots: withTaken(
        spots.map((s) => ({ ...s, out: [...s.out, ...out] })),
        resting,
        NOW,
      ),
    });

  test('nothing is glued in a clamp until what rests there has rested; why is said by its number', () => {
    const b = firstPlan(newBoard(work([spot('c1')])));
    const seat = b.seats[0];
    expect(seat?.start).toBe(until);
    expect(whatBreaks(b.work, planOf(b, 0))).toEqual([]);
    expect(mainReasons(b, 0)[0]).toMatchObject({ kind: 'place', place: 'clamps', by: [409] });
  });

  test('another clamp is free meanwhile', () => {
    const b = firstPlan(newBoard(work([spot('c1'), spot('c2')])));
    expect([b.seats[0]?.start, b.work.spots[b.seats[0]?.spot ?? -1]?.id]).toEqual([0, 'c2']);
  });

  test('what stood there moves, and why is said', () => {
    const was = { glue: { worker: 1, spot: 'c1', start: 60 } };
    const b = replan(newBoard({ ...work([spot('c1')]), before: was }));
    const own = b.steps[0];
    expect(own && whyMoved(b, own)).toMatchObject({ kind: 'place', by: [409] });
  });

  test('a clamp that is broken while something rests in it is neither until both are over', () => {
    const b = firstPlan(newBoard(work([spot('c1')], [{ from: 1440, to: 5 * 1440 }])));
    // The sixth and seventh day are the weekend.
    expect(b.seats[0]?.start).toBe(7 * 1440);
  });

  test('draws wait for a place that cannot be used, as the plan does', () => {
    const spots = [spot('c1', 'clamps', [{ from: 0, to: until }])];
    const one = (due: number, all: readonly Spot[]) => {
      const b = firstPlan(newBoard(shop([worker(1)], [job(1, [glue], { due })], { spots: all })));
      return chancesOf(b, playThrough(b, 200, 1))[0];
    };
    expect(one(until + 659, spots)?.inTime).toBe(0);
    expect(one(until + 660, spots)?.inTime).toBe(1);
    expect(one(660, [spot('c1')])?.inTime).toBe(1);
  });

  test('draws put nothing that holds a place where it would hold it into its days out', () => {
    const out = [{ from: 300, to: 2 * 1440 }];
    const b = firstPlan(
      newBoard(shop([worker(1)], [job(1, [glue], { due: 900 })], { spots: [spot('c1', 'clamps', out)] })),
    );
    expect(b.seats[0]?.start).toBe(2 * 1440);
    expect(chancesOf(b, playThrough(b, 50, 1))[0]?.half).toBe(2 * 1440 + 660);
  });

  test('where all is certain, draws end when the plan ends, whatever is out', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 80 }), fc.integer({ min: 1, max: 40 })), {
          maxLength: 3,
        }),
        fc.array(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 4 }),
        (outs, lengths) => {
          const out = outs.map(([from, long]) => ({ from: from * 60, to: (from + long) * 60 }));
          const steps = lengths.map((l, i) =>
            step(`s${i}`, l * 10, { place: 'clamps', after: i === 0 ? [] : [`s${i - 1}`] }),
          );
          const b = firstPlan(
            newBoard(
              shop([worker(1, 2, shopHours(4))], [job(1, steps)], { spots: [spot('c1', 'clamps', out)] }),
            ),
          );
          const end = Math.max(...b.seats.map((s) => s?.free ?? 0));
          expect(chancesOf(b, playThrough(b, 3, 1))[0]?.half).toBe(end);
        },
      ),
      { numRuns: 500 },
    );
  });
});

test('what rests is shown once: after its step with its place, or as its tag says', () => {
  const at = { waitingFor: 'time', waitingNote: 'settles', waitingUntil: NOW + 9 * MIN } as const;
  const glue = { number: 401, resting: [rest('line:1', NOW + 5 * MIN)], ...at };
  const taken = takenBy([{ id: 1, ...glue }], [spot('c1')], new Map());
  const held = { spot: 'c1', since: NOW - 60 * MIN };
  const own = { number: 401, why: 'after “line:1”', until: NOW + 5 * MIN, held };
  const tag = { number: 401, why: 'settles', until: NOW + 9 * MIN, held: null };
  expect(restsWithPlaces([glue], taken, NOW)).toEqual([own, tag]);
  // A tag that says what its own step says says it once; one that is over, or waits for something else, says nothing.
  expect(restsWithPlaces([{ ...glue, waitingUntil: NOW + 5 * MIN }], taken, NOW)).toEqual([own]);
  expect(restsWithPlaces([{ ...glue, waitingUntil: NOW }], taken, NOW)).toEqual([own]);
  expect(restsWithPlaces([{ ...glue, waitingFor: 'part' }], taken, NOW)).toEqual([own]);
});
