import fc from 'fast-check';
import { breath, runs } from '../../runs-for-tests.ts';
import { earliestSeat, newBoard, planOf, type BoardStep } from './board.ts';
import { lowerBound, standingIn } from './bound.ts';
import { endAfter, type Calendar } from './calendar.ts';
import { costOf } from './cost.ts';
import { bestOfAll } from './exact.ts';
import { findPlan } from './find-plan.ts';
import { improve } from './improve.ts';
import { firstPlan, replan } from './place.ts';
import { whatBreaks } from './plan-check.ts';
import { standing } from './remedies.ts';
import { job, randomShop, shop, step, worker } from './work-for-tests.ts';

const seeds = fc.integer({ min: 1, max: 1e9 });

describe('every plan can be done', () => {
  test('the first one, of any shop', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 0, max: 25 }), (seed, jobs) => {
        const work = randomShop(seed, jobs);
        const b = firstPlan(newBoard(work));
        const plan = planOf(b, costOf(b));
        expect(whatBreaks(work, plan)).toEqual([]);
        expect(plan.steps.length + plan.unplaced.length).toBe(work.jobs.flatMap((j) => j.steps).length);
        for (const u of plan.unplaced) expect(u.why).toMatch(/\S/);
      }),
      runs(60, 500),
    );
  });

  test('the improved one, and it is never dearer', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 1, max: 20 }), (seed, jobs) => {
        const work = randomShop(seed, jobs);
        const b = firstPlan(newBoard(work));
        const before = costOf(b);
        improve(b, { seed, more: (n) => n < 60 });
        const cost = costOf(b);
        expect(whatBreaks(work, planOf(b, cost))).toEqual([]);
        expect(cost).toBeLessThanOrEqual(before + 1e-6);
      }),
      { numRuns: 100 },
    );
  });

  test('the same seed gives the same plan', () => {
    const made = () => {
      const b = firstPlan(newBoard(randomShop(5, 20)));
      improve(b, { seed: 3, more: (n) => n < 100 });
      return planOf(b, costOf(b));
    };
    expect(made()).toEqual(made());
  });
});

describe('nothing jumps without a cause', () => {
  test('a plan that is found again with nothing changed is the same', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 1, max: 20 }), (seed, jobs) => {
        const work = randomShop(seed, jobs);
        const first = firstPlan(newBoard(work));
        const again = replan(newBoard({ ...work, before: standing(first) }));
        const free = new Set(work.jobs.filter((j) => j.steps.every((s) => s.pin === null)).map((j) => j.id));
        const of = (b: typeof first) => planOf(b, 0).steps.filter((p) => free.has(p.job));
        expect(of(again)).toEqual(of(first));
      }),
      { numRuns: 100 },
    );
  });

  test('a new job moves nobody, and a job that is gone leaves the others where they were', () => {
    const work = randomShop(11, 15);
    const first = firstPlan(newBoard(work));
    const before = standing(first);
    const more = { ...work, jobs: [...work.jobs, job(99, [step('new', 60)])], before };
    const where = (b: typeof first) =>
      new Map(planOf(b, 0).steps.map((p) => [p.step, `${p.worker} ${p.start}`]));
    const [was, is] = [where(first), where(replan(newBoard(more)))];
    for (const [id, seat] of was) expect(is.get(id)).toBe(seat);
    const fewer = where(replan(newBoard({ ...work, jobs: work.jobs.slice(3), before })));
    for (const [id, seat] of fewer) expect(was.get(id)).toBe(seat);
  });
});

test('what was not begun moves on by what it is late, and takes along only what stands behind it in the same hands', () => {
  const jobs = [1, 2, 3, 4].map((id) => job(id, [step(`s${id}`, 60)]));
  const before = {
    s1: { worker: 1, spot: null, start: -60 },
    s2: { worker: 1, spot: null, start: 0 },
    s3: { worker: 1, spot: null, start: 300 },
    s4: { worker: 2, spot: null, start: 0 },
  };
  const work = shop([worker(1), worker(2)], jobs, { before });
  const plan = planOf(replan(newBoard(work)), 0);
  expect(Object.fromEntries(plan.steps.map((p) => [p.step, [p.worker, p.start]]))).toEqual({
    s1: [1, 0],
    s2: [1, 60],
    s3: [1, 300],
    s4: [2, 0],
  });
});

test('a step that is put earlier than it stood goes there', () => {
  const before = { a: { worker: 1, spot: null, start: 120 } };
  const at = (pin: number | null) =>
    planOf(replan(newBoard(shop([worker(1)], [job(1, [step('a', 60, { pin })])], { before }))), 0).steps[0]
      ?.start;
  expect([at(60), at(180), at(null)]).toEqual([60, 180, 120]);
});

/**
 * Every way to begin the steps at half hours, counted from nothing but the rules.
 * @param limit what costs more is not looked at any further; the answer where nothing costs less
 * @param stands where steps stand that stand in every way, by their id
 */
function bruteCost(
  work: ReturnType<typeof shop>,
  limit: number,
  stands: Readonly<Record<string, { readonly worker: number; readonly start: number }>> = {},
): number {
  const steps = work.jobs.flatMap((j) => j.steps.map((s) => ({ j, s })));
  const placed: { worker: number; job: number; start: number; end: number; free: number; id: string }[] = [];
  let best = limit;
  const score = (): number => {
    const { weights: w } = work;
    return work.jobs.reduce((sum, j) => {
      // What is not placed yet only adds, and a job takes as long as its steps and their waits do.
      const length = j.steps.reduce((n, s) => n + s.minutes.likely + s.wait, 0);
      const finish = Math.max(length, ...placed.filter((p) => p.job === j.id).map((p) => p.free));
      const late = j.due === null ? 0 : Math.max(0, finish - j.due) / 60;
      const own = placed.filter((p) => p.job === j.id).sort((a, b) => a.start - b.start);
      const hands = own.reduce((n, p, i) => n + (i > 0 && own[i - 1]?.worker !== p.worker ? 1 : 0), 0);
      return sum + (j.hard ? w.hard : w.wished) * late + (w.stay * finish) / 60 + w.hands * hands;
    }, 0);
  };
  /** When somebody's hours hold so many minutes in one piece. */
  const starts = (who: (typeof work.workers)[number], minutes: number): readonly number[] =>
    Array.from({ length: 110 }, (_, i) => 30 * i).filter((start) =>
      who.calendar.from.some((f, k) => f <= start && start + minutes <= (who.calendar.to[k] ?? 0)),
    );
  const ways = steps.map(({ s }) => {
    const there = stands[s.id];
    return work.workers.flatMap((w) =>
      there === undefined
        ? [[w, starts(w, s.minutes.likely)] as const]
        : there.worker === w.id
          ? [[w, [there.start]] as const]
          : [],
    );
  });
  const go = (i: number): void => {
    const at = steps[i];
    const cost = score();
    if (cost >= best) return;
    if (!at) {
      best = cost;
      return;
    }
    for (const [who, all] of ways[i] ?? [])
      for (const start of all) {
        const end = start + at.s.minutes.likely;
        const free = end + at.s.wait;
        const clash = placed.some(
          (p) =>
            (p.worker === who.id && p.start < end && start < p.end) ||
            (p.job === at.j.id && p.start < free && start < p.free) ||
            (at.s.after.includes(p.id) && p.free > start),
        );
        if (clash) continue;
        placed.push({ worker: who.id, job: at.j.id, start, end, free, id: at.s.id });
        go(i + 1);
        placed.pop();
      }
  };
  go(0);
  return best;
}

/** A day with a break, and short ones after it: so few that every way can be tried. */
const FEW_HOURS = [
  { from: 0, to: 120 },
  { from: 150, to: 240 },
  { from: 1440, to: 1680 },
  { from: 2880, to: 3300 },
];

test('small cases: never dearer than the best of all ways, and the bound is never above it', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.record({
          minutes: fc.constantFrom(30, 60, 90),
          wait: fc.constantFrom(0, 0, 60, 1440),
          more: fc.boolean(),
          due: fc.constantFrom(null, 60, 120, 180, 1500, 1620),
          hard: fc.boolean(),
        }),
        { minLength: 2, maxLength: 3 },
      ),
      fc.constantFrom(1, 2),
      async (made, people) => {
        await breath();
        const workers = Array.from({ length: people }, (_, i) => worker(i + 1, 2, FEW_HOURS));
        let left = 3;
        const jobs = made.map((m, j) => {
          const second = m.more && left-- > 2;
          const steps = [
            step(`${j}a`, m.minutes, { wait: m.wait, cut: false }),
            ...(second ? [step(`${j}b`, 30, { after: [`${j}a`], cut: false })] : []),
          ];
          return job(j + 1, steps, { due: m.due, hard: m.hard && m.due !== null });
        });
        const work = shop(workers, jobs);
        const best = bestOfAll(newBoard(work));
        const b = findPlan(work, { seed: 1, more: (n) => n < 100 });
        const least = bruteCost(work, costOf(b) + 0.001);
        expect(best && costOf(best)).toBeCloseTo(least, 6);
        expect(costOf(b)).toBeLessThanOrEqual(least + 1e-6);
        // What is known stands far above: it is no crutch.
        expect(lowerBound(work, 3 * least + 10)).toBeLessThanOrEqual(least + 1e-6);
      },
    ),
    { numRuns: 500 },
  );
});

test('with a step that stands somewhere, the bound is below the best of all ways around it, and knows of it', async () => {
  let [knows, all] = [0, 0];
  await fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.record({ minutes: fc.constantFrom(30, 60, 90), due: fc.constantFrom(null, 60, 180, 1500) }),
        {
          minLength: 2,
          maxLength: 3,
        },
      ),
      fc.constantFrom(1, 2),
      fc.nat(2),
      fc.constantFrom(0, 30, 150, 1440, 1500, 2880),
      async (made, people, which, from) => {
        await breath();
        const workers = Array.from({ length: people }, (_, i) => worker(i + 1, 2, FEW_HOURS));
        const work = shop(
          workers,
          made.map(({ minutes, due }, j) =>
            job(
              j + 1,
              [
                step(`${j}a`, minutes, { cut: false }),
                ...(j === 0 ? [step(`${j}b`, 30, { after: [`${j}a`], cut: false })] : []),
              ],
              { due, hard: false },
            ),
          ),
        );
        const b = newBoard(work);
        const own = b.steps[Math.min(which, b.steps.length - 1)] as BoardStep;
        const s = earliestSeat(b, own, from + (own.step.after.length > 0 ? 90 : 0), 0, -1);
        if (!s) return;
        const stands = b.steps.map(({ at }) => (at === own.at ? s : null));
        const around = bruteCost(work, 1e5, { [own.step.id]: { worker: 1, start: s.start } });
        const bound = lowerBound(work, 1e5, stands);
        expect(bound).toBeLessThanOrEqual(around + 1e-6);
        const anyWay = bruteCost(work, 1e5);
        if (around > anyWay + 1) {
          all++;
          if (bound > anyWay) knows++;
        }
      },
    ),
    runs(60, 2000),
  );
  // Where it costs something that it stands there, the bound mostly says so.
  expect(all).toBeGreaterThan(4);
  expect(knows / all).toBeGreaterThan(0.6);
});

test('one pair of hands and no dates: shortest first is the best there is, and the bound is near it', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.integer({ min: 18, max: 60 }), { minLength: 12, maxLength: 25 }),
      fc.constantFrom(1, 3),
      async (fives, parts) => {
        await breath();
        const minutes = fives.map((n) => 5 * n * parts);
        const work = shop(
          [worker(1)],
          minutes.map((m, j) =>
            job(
              j + 1,
              Array.from({ length: parts }, (_, i) =>
                step(`${j}.${i}`, m / parts, { after: i > 0 ? [`${j}.${i - 1}`] : [] }),
              ),
            ),
          ),
        );
        const { stay } = work.weights;
        const c = (work.workers[0] as { calendar: Calendar }).calendar;
        let done = 0;
        let best = 0;
        for (const m of [...minutes].sort((x, y) => x - y)) best += (stay * endAfter(c, (done += m))) / 60;
        const bound = lowerBound(work, 2 * best);
        expect(bound).toBeLessThanOrEqual(best + 1e-6);
        expect(bound).toBeGreaterThanOrEqual(0.8 * best);
      },
    ),
    runs(8, 60),
  );
});

test('of any shop, with skills, places, pins and answers awaited, the bound is below a plan that was made better', async () => {
  await fc.assert(
    fc.asyncProperty(seeds, fc.integer({ min: 1, max: 14 }), fc.boolean(), async (seed, jobs, tight) => {
      await breath();
      const b = firstPlan(newBoard(randomShop(seed, jobs, 3, 8, tight)));
      improve(b, { seed: 1, more: (n) => n < 60 });
      const cost = costOf(b);
      expect(lowerBound(b.work, 4 * cost + 10)).toBeLessThanOrEqual(cost + 1e-6);
      expect(lowerBound(b.work, 4 * cost + 10, standingIn(b))).toBeLessThanOrEqual(cost + 1e-6);
    }),
    runs(12, 600),
  );
});
