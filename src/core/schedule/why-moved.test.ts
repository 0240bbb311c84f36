import fc from 'fast-check';
import { runs } from '../../runs-for-tests.ts';
import { newBoard, planOf, type Board, type BoardStep } from './board.ts';
import { calendarOf, endAfter, workedBefore } from './calendar.ts';
import { firstPlan, replan } from './place.ts';
import { whatBreaks } from './plan-check.ts';
import { standing } from './remedies.ts';
import { sayMoved } from './say-week.ts';
import type { ShopWork } from './shop-work.ts';
import { whyMoved, type MovedWhy } from './why-moved.ts';
import { job, randomShop, shop, shopHours, step, worker } from './work-for-tests.ts';

const of = (b: Board, id: string): MovedWhy | null =>
  whyMoved(b, b.steps.find((s) => s.step.id === id) as BoardStep);
/** What becomes of a step that stood with the first worker at two hours after the beginning. */
const after = (more: Partial<ShopWork>, own = step('a', 60)): MovedWhy | null =>
  of(
    replan(
      newBoard(
        shop([worker(1)], [job(1, [own])], {
          before: { a: { worker: 1, spot: own.place === null ? null : 'jig', start: 120 } },
          ...more,
        }),
      ),
    ),
    'a',
  );
const JIG = { id: 'jig', name: 'neck jig', kind: 'neck-jig', out: [] };

test('each cause is told from the others', () => {
  expect(after({})).toBeNull();
  expect(after({}, step('a', 60, { pin: 180 }))).toEqual({ kind: 'put' });
  expect(after({ workers: [worker(1), worker(2)] }, step('a', 60, { only: [2] }))).toEqual({ kind: 'given' });
  const until = { low: 200, likely: 300, high: 400 };
  expect(after({}, step('a', 60, { waits: { for: 'part', until } }))).toEqual({
    kind: 'waits',
    for: 'part',
    until: 300,
  });
  const off = worker(1, 2, shopHours(8, [0]));
  expect(after({ workers: [off, worker(2)] })).toEqual({ kind: 'away', worker: 1 });
  const out = { ...JIG, out: [{ from: 0, to: 1440 }] };
  expect(after({ spots: [out] }, step('a', 60, { place: 'neck-jig' }))).toEqual({
    kind: 'place',
    place: 'neck-jig',
    by: [],
  });
  const ahead = job(2, [step('b', 210, { pin: 0, place: 'neck-jig' })]);
  const jobs = [ahead, job(1, [step('a', 60, { place: 'neck-jig' })])];
  expect(after({ jobs, workers: [worker(1)], spots: [JIG] }, jobs[1]?.steps[0])).toEqual({
    kind: 'hands',
    worker: 1,
    by: [402],
  });
  expect(after({ jobs: [job(2, [step('b', 210, { pin: 0 })]), job(1, [step('a', 60)])] })).toEqual({
    kind: 'hands',
    worker: 1,
    by: [402],
  });
  const longer = [job(1, [step('b', 90, { wait: 60 }), step('a', 60, { after: ['b'] })])];
  expect(after({ jobs: longer })).toEqual({ kind: 'before', step: 'b', until: 150 });
  expect(after({ before: { a: { worker: 1, spot: null, start: -60 } } })).toEqual({ kind: 'not-begun' });
});

/** Something that happens between two plans of a shop. */
const HAPPENS: Readonly<Record<string, (w: ShopWork, n: number) => ShopWork>> = {
  'somebody is away': (w, n) => ({
    ...w,
    workers: w.workers.map((one, i) =>
      i === n % w.workers.length
        ? {
            ...one,
            calendar: calendarOf(
              one.calendar.from
                .map((from, k) => ({ from, to: one.calendar.to[k] ?? 0 }))
                .filter((s) => s.from > 2 * 1440),
            ),
          }
        : one,
    ),
  }),
  'a step takes longer': (w, n) => ({
    ...w,
    jobs: w.jobs.map((j, i) =>
      i === n % w.jobs.length
        ? {
            ...j,
            steps: j.steps.map((s, k) =>
              k === 0 ? { ...s, minutes: { low: 180, likely: 300, high: 400 } } : s,
            ),
          }
        : j,
    ),
  }),
  'a place cannot be used': (w) => ({
    ...w,
    spots: w.spots.map((s, i) => (i === 0 ? { ...s, out: [{ from: 0, to: 3 * 1440 }] } : s)),
  }),
  'something is put ahead': (w) => ({
    ...w,
    jobs: [...w.jobs, job(99, [step('ahead', 240, { pin: 60, cut: false })])],
  }),
  'time goes by': (w) => ({
    ...w,
    before: Object.fromEntries(
      Object.entries(w.before).map(([id, b]) => [id, { ...b, start: b.start - 90 }]),
    ),
  }),
};
const HINDERED = new Set(['given', 'waits', 'before', 'away', 'hands', 'place', 'not-begun']);

/** What is broken where one step is put back to where it stood, but for what can only come after it. */
function brokenThere(b: Board, own: BoardStep): string[] {
  const { work } = b;
  const was = work.before[own.step.id];
  const hands = work.workers.find((w) => w.id === was?.worker);
  if (!was || !hands) return ['nobody'];
  const end = endAfter(hands.calendar, workedBefore(hands.calendar, Math.max(0, was.start)) + own.minutes);
  if (was.start < 0 || end === Infinity) return ['no time'];
  const plan = planOf(b, 0);
  const steps = plan.steps.map((p) =>
    p.step === own.step.id ? { ...p, ...was, end, free: end + own.step.wait } : p,
  );
  const needs = new Map(work.jobs.flatMap((j) => j.steps.map((s) => [s.id, s.after] as const)));
  const later = (id: string): boolean => (needs.get(id) ?? []).some((x) => x === own.step.id || later(x));
  const together = steps.filter((p) => p.step === own.step.id || !later(p.step));
  return whatBreaks(work, { ...plan, steps: together }).filter(
    (words) => words.startsWith(`${own.step.id}:`) || words.split(/ and |: /).includes(own.step.id),
  );
}

test.each(Object.keys(HAPPENS))(
  '%s: where something is said to be in the way the step could not stay, and where nothing is, it could',
  (what) => {
    const said = new Set<string>();
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), fc.integer({ min: 3, max: 14 }), (seed, jobs) => {
        const work = randomShop(seed, jobs);
        const first = firstPlan(newBoard(work));
        const happened = HAPPENS[what]?.({ ...work, before: standing(first) }, seed) ?? work;
        const b = replan(newBoard(happened));
        for (const own of b.steps) {
          const why = whyMoved(b, own);
          if (why === null || why.kind === 'put') continue;
          said.add(why.kind);
          const broken = brokenThere(b, own);
          if (HINDERED.has(why.kind))
            expect([own.step.id, why, broken.length > 0]).toEqual([own.step.id, why, true]);
          else expect([own.step.id, why, broken]).toEqual([own.step.id, why, []]);
        }
      }),
      runs(60, 400),
    );
    expect(said.size).toBeGreaterThan(0);
  },
);

test('said as one says it', () => {
  const words = {
    person: (id: number) => `person ${id}`,
    moment: (at: number) => `at ${at}`,
    day: (at: number) => `day ${at}`,
    step: (id: string) => id.toUpperCase(),
  };
  const say = (why: MovedWhy) => sayMoved(why, words);
  expect(say({ kind: 'hands', worker: 1, by: [402, 403] })).toBe('person 1 is busy then, with 402 and 403');
  expect(say({ kind: 'place', place: 'neck-jig', by: [402] })).toBe('its neck jig is taken then by 402');
  expect(say({ kind: 'place', place: 'clamps', by: [] })).toBe('its pair of clamps cannot be used then');
  expect(say({ kind: 'before', step: 'glue', until: 90 })).toBe('“GLUE” before it is not over until at 90');
  expect(say({ kind: 'away', worker: 2 })).toBe('person 2 is not here then');
  expect(say({ kind: 'waits', for: 'part', until: 9 })).toBe('a part is awaited, likely day 9');
});
