import { promiseDates, type AtTheCounter } from '../../src/server/week/promise-date.ts';
import { lookForBetter, type WorkToSearch } from '../../src/core/schedule/look-for-better.ts';
import { toEnd } from '../../src/core/to-end.ts';
import { remediesOf, tryWeek, workToSearch } from '../../src/server/week/try-week.ts';
import { placesOf } from '../../src/ui/week/places-of.ts';
import { readWork } from '../../src/server/week/read-work.ts';
import { loadWeek } from '../../src/server/week/load-week.ts';
import { loadReliability } from '../../src/server/week/load-reliability.ts';
import { momentOn, WEDNESDAY, wednesdayAnd } from './a-wednesday.ts';
import { value } from './house.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
const week = () => loadWeek(house.db, WEDNESDAY);

beforeAll(async () => {
  house = await workingHouse('week_tried');
  await house.db.models.Person.update({ skill: 'senior' }, { where: { id: house.lead.personId } });
  for (let i = 0; i < 6; i++)
    await house.jobWith(['rod', 'saddle-lower', 'restring'], { neededBy: wednesdayAnd(2), hardDate: false });
});
afterAll(() => house.db.sequelize.close());

const placed = async () => (await week()).steps.map((s) => [s.id, s.worker, s.start]);

test('somebody who is away is tried beside the plan: what moves is told, and nothing is changed', async () => {
  const before = await placed();
  const busiest = (await week()).steps[0]?.worker ?? 0;
  const tried = await tryWeek(
    house.db,
    { kind: 'away', worker: busiest, from: wednesdayAnd(0), to: wednesdayAnd(2) },
    WEDNESDAY,
  );
  expect(tried.moved.length).toBeGreaterThan(0);
  const { jobs } = await week();
  for (const j of tried.jobs) expect(j.was).toBe(jobs.find((o) => o.number === j.number)?.chance);
  for (const m of tried.moved)
    if (m.is?.worker === busiest) expect(m.is.start).toBeGreaterThanOrEqual(momentOn(3, '00:00').getTime());
  expect(await placed()).toEqual(before);
});

test('a jig that cannot be used, and a rush job, are tried the same way', async () => {
  const before = await placed();
  const out = { kind: 'out', spot: 'clamps-1', from: wednesdayAnd(0), to: wednesdayAnd(29) } as const;
  expect((await tryWeek(house.db, out, WEDNESDAY)).gap).toBeNull();
  const rush = await tryWeek(
    house.db,
    { kind: 'rush', minutes: 120, skill: 1, day: wednesdayAnd(1) },
    WEDNESDAY,
  );
  const job = rush.jobs.find((j) => j.number === 0);
  expect(job?.was).toBeNull();
  expect(job?.isReady).toBeLessThanOrEqual(momentOn(1, '18:00').getTime());
  expect(await placed()).toEqual(before);
});

test('somebody stays longer: tried beside the plan; as a way to save a date it is taken, and the date is nearer', async () => {
  const { lead } = house;
  const wanted = { neededBy: wednesdayAnd(1), hardDate: true, hardReason: 'concert' };
  const { jobId, line } = await house.jobWith(['rod'], wanted);
  const step = `line:${(await line('rod')).id}`;
  // More than two days' hands-on work for one person.
  const put = { jobId, step, worker: lead.personId, at: null, minutes: 1020, version: 0 };
  value(await house.give(lead, 'week.put', put));
  const own = async () => (await week()).jobs.find((j) => j.id === jobId);
  const before = await placed();
  const was = await own();
  expect(was?.endangered).toBe(true);
  const longer = { worker: lead.personId, day: wednesdayAnd(0), from: 1080, to: 1260 };
  const tried = await tryWeek(house.db, { kind: 'longer', ...longer }, WEDNESDAY);
  expect(tried.jobs.find((j) => j.number === was?.number)?.isReady).toBeLessThan(was?.ready ?? 0);
  expect(await placed()).toEqual(before);
  const way = (await remediesOf(house.db, jobId, WEDNESDAY)).find((w) => w.longer);
  expect(way?.longer).toMatchObject({ personId: lead.personId, from: 1080, to: 1200 });
  value(await house.give(lead, 'week.longer', way?.longer ?? { personId: 0, day: '', from: 0, to: 0 }));
  const steps = placesOf(way?.moved ?? []);
  if (steps.length > 0) value(await house.give(lead, 'week.take', { steps, why: 'tried' }));
  const is = await own();
  expect(is?.chance).toBeCloseTo(way?.is ?? 0, 1);
  expect(is?.ready).toBeLessThan(was?.ready ?? 0);
});

test('a better plan says how far it may be from the best, and where it puts things can be taken', async () => {
  // As it goes to the tablet that looks.
  const work = JSON.parse(JSON.stringify(await workToSearch(house.db, WEDNESDAY))) as WorkToSearch;
  const tried = toEnd(lookForBetter(work, (n) => n / 3000));
  expect(tried.gap).toBeGreaterThanOrEqual(0);
  expect(tried.gap).toBeLessThanOrEqual(1);
  const steps = tried.moved.flatMap((m) =>
    m.is ? [{ jobId: m.jobId, step: m.step, worker: m.is.worker, spot: m.is.spot, at: m.is.start }] : [],
  );
  if (steps.length === 0) return;
  value(await house.give(house.lead, 'week.take', { steps, why: 'tried' }));
  const now = new Map((await week()).steps.map((s) => [s.id, s]));
  for (const s of steps) expect(now.get(s.step)).toMatchObject({ worker: s.worker, start: s.at });
});

test('what would save a date names ways that were tried, with their chance', async () => {
  const { jobId } = await house.jobWith([], {
    neededBy: wednesdayAnd(1),
    hardDate: true,
    hardReason: 'exam',
  });
  value(await house.give(house.technician, 'plan.add', { jobId, operation: 'rod', detail: '' }));
  const { jobs } = await week();
  const job = jobs.find((j) => j.id === jobId);
  const chanceOf = (number: number) => jobs.find((j) => j.number === number)?.chance;
  const ways = await remediesOf(house.db, jobId, WEDNESDAY);
  for (const w of ways) {
    expect(w.is - w.was).toBeGreaterThanOrEqual(0.1);
    expect(w.says).toMatch(/\S/);
    // How likely it is now is the same wherever it is said.
    expect(w.was).toBe(job?.chance);
    for (const o of w.others) expect(o.was).toBe(chanceOf(o.job));
  }
  if (job?.endangered) expect(ways.some((w) => /call the customer/.test(w.says))).toBe(true);
  expect(await remediesOf(house.db, 999_999, WEDNESDAY)).toEqual([]);
});

const COUNTER: AtTheCounter = {
  operations: [],
  said: '',
  kind: '',
  strings: 'at-pitch',
  neededBy: null,
  instrumentId: null,
};

test('at the counter there are days with their chance, in order, on days the shop is open', async () => {
  const { days, steps, said, such } = await promiseDates(house.db, COUNTER, WEDNESDAY);
  expect(days.map((d) => d.chance)).toEqual([0.5, 0.8, 0.95]);
  expect([...days].map((d) => d.day)).toEqual([...days].map((d) => d.day).sort());
  expect(steps.map((s) => s.title)).toEqual([
    'Inspect',
    'Read and plan',
    'A setup',
    'Bench check and papers',
  ]);
  expect(steps.reduce((sum, s) => sum + s.minutes, 0)).toBeGreaterThan(60);
  expect([said, such]).toEqual([[], 0]);
  const more = await promiseDates(house.db, { ...COUNTER, operations: ['neck-clamp'] }, WEDNESDAY);
  expect((more.days[2]?.day ?? '') > (days[2]?.day ?? '')).toBe(true);
});

test('taken in with a day the planner was asked for, it is a promise; how promises came out is counted', async () => {
  const { jobId } = await house.jobWith([], { neededBy: wednesdayAnd(8), promisedChance: 0.8 });
  expect(await house.db.models.PromiseRow.findOne({ where: { jobId } })).toMatchObject({
    day: wednesdayAnd(8),
    chance: '0.800',
  });
  expect(await loadReliability(house.db, 'UTC')).toEqual([]);
  await house.db.models.Job.update(
    { state: 'closed', closedAt: momentOn(7, '12:00') },
    { where: { id: jobId } },
  );
  expect(await loadReliability(house.db, 'UTC')).toMatchObject([{ count: 1, held: 1, off: null }]);
});

test('what is said at the counter, its kind and how its strings are decide what a day is counted with', async () => {
  const said = 'The bridge is lifting.';
  const { steps, said: heard } = await promiseDates(house.db, { ...COUNTER, said, kind: 'nylon' }, WEDNESDAY);
  expect(steps.map((s) => s.title)).toContain('Reglue the bridge');
  expect(steps.find((s) => s.title === 'Reglue the bridge')?.rests).toBe(1440);
  expect(heard).toEqual([{ title: 'Reglue the bridge', words: 'bridge is lifting' }]);
  const setup = async (counter: Partial<AtTheCounter>) =>
    (await promiseDates(house.db, { ...COUNTER, ...counter }, WEDNESDAY)).steps.find(
      (s) => s.title === 'A setup',
    )?.minutes ?? 0;
  expect(await setup({ kind: 'nylon', strings: 'off' })).toBeGreaterThan(await setup({ kind: 'nylon' }));
  expect(await setup({ kind: 'nylon' })).toBeLessThan(await setup({ kind: 'solid-electric' }));
  // One the shop knows goes by what it is, whatever kind is chosen.
  const known = await house.db.models.Instrument.findOne({ where: { kind: 'steel-acoustic' } });
  expect(await setup({ instrumentId: known?.id ?? 0, kind: 'nylon' })).toBe(
    await setup({ kind: 'steel-acoustic' }),
  );
});

test('a day they name has its chance: none where glue still sets, nearly all where there is time', async () => {
  const said = 'The bridge is lifting.';
  const by = async (day: number) =>
    (await promiseDates(house.db, { ...COUNTER, said, neededBy: wednesdayAnd(day) }, WEDNESDAY)).wanted;
  expect(await by(0)).toEqual({ day: wednesdayAnd(0), chance: 0 });
  expect((await by(30))?.chance).toBeGreaterThan(0.95);
  expect((await promiseDates(house.db, COUNTER, WEDNESDAY)).wanted).toBeNull();
});

test('what waits without an order is planned by what was said of it', async () => {
  const { jobId } = await house.jobWith([], { complaint: 'It needs a refret.', wish: '' });
  const titles = (await week()).steps.filter((s) => s.job === jobId).map((s) => s.title);
  expect(titles).toContain('Replace all frets');
});

test('what such jobs took here goes before the minutes of the trade', async () => {
  const { models } = house.db;
  const took = [100, 110, 120, 130, 140];
  for (const minutes of took) {
    const { jobId, line } = await house.jobWith(['saddle-lower']);
    const { id: lineId } = await line('saddle-lower');
    const startedAt = momentOn(0, '09:00');
    const endedAt = new Date(startedAt.getTime() + minutes * 60_000);
    await models.TimeEntry.create({ lineId, personId: house.technician.personId, startedAt, endedAt });
    await models.WorkLine.update({ step: 'finished', finishedAt: endedAt }, { where: { id: lineId } });
    await models.Job.update({ state: 'closed', closedAt: endedAt }, { where: { id: jobId } });
  }
  // What went home is looked at again every quarter of an hour.
  const later = new Date(WEDNESDAY.getTime() + 16 * 60_000);
  const counter = { ...COUNTER, kind: 'steel-acoustic' };
  const { such, steps } = await promiseDates(house.db, counter, later);
  expect(such).toBe(took.length);
  expect(steps.find((s) => s.title === 'A setup')?.minutes).toBe(120);
  expect((await promiseDates(house.db, { ...counter, kind: 'bass' }, later)).such).toBe(0);
});

test('an estimate that waits since a while is awaited for longer; what is asked anew begins anew', async () => {
  const job = await house.jobWith(['rod'], { neededBy: wednesdayAnd(20), hardDate: false });
  const price = async (priceMinor: number) => {
    const line = await job.line('rod');
    const same = { tax: null, partsTax: null, partsMinor: line.parts, reason: 'as agreed' };
    await house.order(house.desk, 'work.price', {
      lineId: line.id,
      version: line.version,
      priceMinor,
      ...same,
    });
  };
  const awaited = async () => {
    const { work } = await readWork(house.db, WEDNESDAY);
    const step = work.jobs.find((j) => j.id === job.jobId)?.steps[0];
    return { for: step?.waits?.for, likely: step?.waits?.until.likely ?? 0 };
  };
  expect((await awaited()).for).toBeUndefined();
  await price(9000);
  const { models } = house.db;
  const offered = (at: Date) => models.WorkLine.update({ offeredAt: at }, { where: { jobId: job.jobId } });
  await offered(WEDNESDAY);
  const now = await awaited();
  const long = new Date(WEDNESDAY.getTime() - 20 * 86_400_000);
  await offered(long);
  const old = await awaited();
  expect([now.for, old.for]).toEqual(['word', 'word']);
  expect(old.likely).toBeGreaterThan(2 * now.likely);
  // Another price is another question, asked when it was said.
  await price(12_000);
  const line = await models.WorkLine.findOne({ where: { jobId: job.jobId } });
  expect(line?.offeredAt?.getTime()).toBeGreaterThan(long.getTime());
});
