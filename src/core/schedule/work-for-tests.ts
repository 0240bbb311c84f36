/** Shops for the planner's tests: random ones, and small ones by hand. */
import { seeded } from '../seeded.ts';
import { calendarOf, type Stretch } from './calendar.ts';
import { USUAL_WEIGHTS, type PlannedJob, type ShopWork, type Step, type Worker } from './shop-work.ts';

/** Weekdays of two stretches each, 9 to 12:30 and 13:30 to 18, for some weeks; the plan begins on a Monday at nine. */
export const shopHours = (weeks: number, without: readonly number[] = []): Stretch[] =>
  Array.from({ length: weeks * 7 }, (_, day) => day)
    .filter((day) => day % 7 < 5 && !without.includes(day))
    .flatMap((day) => [
      { from: day * 1440, to: day * 1440 + 210 },
      { from: day * 1440 + 270, to: day * 1440 + 540 },
    ]);

export const worker = (id: number, skill = 2, stretches: readonly Stretch[] = shopHours(8)): Worker => ({
  id,
  name: `worker ${id}`,
  skill,
  calendar: calendarOf(stretches),
});

export const step = (id: string, minutes: number, more: Partial<Step> = {}): Step => ({
  id,
  title: id,
  minutes: { low: minutes, likely: minutes, high: minutes },
  spent: 0,
  wait: 0,
  holds: false,
  after: [],
  skill: 0,
  place: null,
  cut: true,
  only: null,
  pin: null,
  running: false,
  waits: null,
  guess: false,
  ...more,
});

export const job = (id: number, steps: readonly Step[], more: Partial<PlannedJob> = {}): PlannedJob => ({
  id,
  number: 400 + id,
  title: `job ${id}`,
  due: null,
  hard: false,
  promised: null,
  holder: null,
  steps,
  ...more,
});

export const shop = (
  workers: readonly Worker[],
  jobs: readonly PlannedJob[],
  more: Partial<ShopWork> = {},
): ShopWork => ({ workers, spots: [], jobs, before: {}, weights: USUAL_WEIGHTS, ...more });

/** A shop of some size with everything in it that a shop can have. */
export function randomShop(seed: number, jobs: number, people = 4, weeks = 12, tight = true): ShopWork {
  const next = seeded(seed);
  const whole = (from: number, to: number): number => from + Math.floor(next() * (to - from + 1));
  const chance = (part: number): boolean => next() < part;
  const workers = Array.from({ length: people }, (_, i) =>
    worker(
      i + 1,
      i === 0 ? 2 : whole(0, 2),
      shopHours(weeks, chance(0.5) ? [whole(0, 4), whole(7, 11)] : []),
    ),
  );
  const spots = [
    {
      id: 'jig',
      name: 'neck jig',
      kind: 'neck-jig',
      out: chance(0.2) ? [{ from: 0, to: 1440 * whole(1, 3) }] : [],
    },
    { id: 'c1', name: 'clamps 1', kind: 'clamps', out: [] },
    { id: 'c2', name: 'clamps 2', kind: 'clamps', out: [] },
  ];
  const places = [...Array.from({ length: tight ? 3 : 28 }, () => null), 'neck-jig', 'clamps'];
  const load = (jobs * 3.5 * 65) / (people * 450 * (5 / 7));
  const made = Array.from({ length: jobs }, (_, j) => {
    const many = whole(1, 6);
    const steps: Step[] = [];
    for (let i = 0; i < many; i++) {
      const likely = 5 * whole(1, 24);
      const place = places[whole(0, places.length - 1)] ?? null;
      steps.push(
        step(`${j}.${i}`, likely, {
          minutes: { low: likely * 0.6, likely, high: likely * (1 + next()) },
          wait: chance(0.2) ? 60 * whole(1, tight ? 96 : 30) : 0,
          holds: place !== null && chance(0.5),
          after: i === 0 ? [] : chance(0.8) ? [`${j}.${i - 1}`] : [`${j}.${whole(0, i - 1)}`],
          skill: whole(0, 2),
          place,
          cut: chance(0.7),
          only: chance(0.05) ? [whole(1, people)] : null,
          pin: chance(0.02) ? 5 * whole(0, 600) : null,
          waits: chance(0.1)
            ? { for: 'word', until: { low: 60, likely: 60 * whole(2, 60), high: 60 * 90 } }
            : null,
        }),
      );
    }
    const due = chance(0.7) ? 1440 * whole(1, tight ? weeks * 3 : Math.ceil(load * 2.2)) + 540 : null;
    return job(j + 1, steps, {
      due,
      hard: due !== null && chance(0.2),
      holder: chance(0.3) ? whole(1, people) : null,
    });
  });
  return shop(workers, made, { spots });
}
