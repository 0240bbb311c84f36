import ICAL from 'ical.js';
import { feedOf } from '../../src/server/week/feed.ts';
import { loadWeek } from '../../src/server/week/load-week.ts';
import { addDays, dayIn } from '../../src/core/days/zone.ts';
import { momentOn, WEDNESDAY, wednesdayAnd } from './a-wednesday.ts';
import { value } from './house.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('week');
  await house.db.models.Person.update({ skill: 'senior' }, { where: { id: house.lead.personId } });
});
afterAll(() => house.db.sequelize.close());

const week = (at = WEDNESDAY) => loadWeek(house.db, at);
const stepsOf = async (jobId: number, at = WEDNESDAY) =>
  (await week(at)).steps.filter((s) => s.job === jobId).sort((a, b) => a.start - b.start);

test('a job taken in has what is likely: looking, reading, a setup, its check, by who may, in the hours of the shop', async () => {
  const { jobId } = await house.jobWith([], { neededBy: addDays(dayIn(WEDNESDAY.getTime(), 'UTC'), 8) });
  const steps = await stepsOf(jobId);
  expect(steps.map((s) => s.title)).toEqual([
    'Inspect',
    'Read and plan',
    'A setup',
    'Bench check and papers',
  ]);
  expect(steps.map((s) => s.guess)).toEqual([false, false, true, false]);
  const found = (await week()).jobs.find((j) => j.id === jobId);
  expect(found).toMatchObject({ endangered: false, hard: false });
  expect(found?.chance).toBeGreaterThan(0.9);
  for (const s of steps) {
    expect([house.technician.personId, house.lead.personId, house.owner.personId]).toContain(s.worker);
    for (const [from] of s.pieces) expect(new Date(from).getUTCHours()).toBeGreaterThanOrEqual(9);
  }
});

test('lines of an order are placed one after the other with their rests, and the plan stays where it was', async () => {
  const { jobId } = await house.jobWith(['strings-off', 'neck-clamp', 'rod', 'restring']);
  const steps = await stepsOf(jobId);
  const clamp = steps.find((s) => s.spot?.startsWith('clamps'));
  expect(clamp && clamp.free - clamp.end).toBe(4 * 86_400_000);
  steps.forEach((s, i) => expect(s.start).toBeGreaterThanOrEqual(steps[i - 1]?.free ?? 0));
  expect(await stepsOf(jobId)).toEqual(steps);
  await house.jobWith(['rod'], {});
  expect(await stepsOf(jobId)).toEqual(steps);
  expect(await house.db.models.PlannedStep.count({ where: { jobId } })).toBe(steps.length);
});

test('what rests keeps its clamp and its job from going on, wherever its tag hangs, until it has rested', async () => {
  const glued = () => house.jobWith(['bridge-reglue', 'restring']);
  const [first, second, third] = [await glued(), await glued(), await glued()];
  const hours = (n: number): Date => new Date(WEDNESDAY.getTime() + n * 3_600_000);
  const glue = async (job: typeof first, action: 'start' | 'finish', at: Date) => {
    const { id: lineId, version } = await job.line('bridge-reglue');
    const input = { lineId, version, action, without: 'nothing was read' };
    await house.order(house.technician, 'work.step', input, () => at);
    await week(at);
  };
  for (const job of [first, second]) {
    await glue(job, 'start', hours(0.5));
    await glue(job, 'finish', hours(1));
  }
  const { version } = await house.view(second.number);
  await house.order(house.technician, 'rack.move', {
    jobId: second.jobId,
    version,
    placeId: null,
    waitingFor: 'hands',
    waitingNote: '',
    holderId: null,
  });
  const spots = async (at: Date) => {
    const now = await week(at);
    const rests = now.resting.filter((r) => [first.number, second.number].includes(r.number));
    expect(rests.map((r) => [r.why, r.until])).toEqual([
      ['after “Reglue the bridge”', hours(25).getTime()],
      ['after “Reglue the bridge”', hours(25).getTime()],
    ]);
    const starts = now.steps.filter((s) => s.job === second.jobId).map((s) => s.start);
    expect(Math.min(...starts)).toBeGreaterThanOrEqual(hours(25).getTime());
    const taken = rests.map((r) => r.held?.spot);
    const next = now.steps.find((s) => s.job === third.jobId && s.title === 'Reglue the bridge');
    expect(next?.spot).toMatch(/^clamps/);
    if (taken.includes(next?.spot ?? '')) expect(next?.start).toBeGreaterThanOrEqual(hours(25).getTime());
    return taken;
  };
  const taken = await spots(hours(1.5));
  expect(new Set(taken).size).toBe(2);
  // They stay where they are, plan after plan.
  expect([await spots(hours(2)), await spots(hours(20))]).toEqual([taken, taken]);
  const kept = async () => (await house.db.models.PlannedStep.findAll()).map((p) => p.step);
  const { id } = await first.line('bridge-reglue');
  expect(await kept()).toContain(`line:${id}`);
  expect((await week(hours(26))).resting).toEqual([]);
  expect(await kept()).not.toContain(`line:${id}`);
  await house.db.models.PlannedStep.destroy({ where: {} });
});

test('a step that is put to somebody at a moment stands there, two who put it see each other, and it is given back', async () => {
  const { jobId, line } = await house.jobWith(['rod']);
  const { id } = await line('rod');
  const at = momentOn(1, '14:00').getTime();
  const put = (worker: number | null, moment: number | null, version: number) =>
    house.give(house.lead, 'week.put', {
      jobId,
      step: `line:${id}`,
      worker,
      at: moment,
      minutes: null,
      version,
    });
  value(await put(house.owner.personId, at, 0));
  const [first] = await stepsOf(jobId);
  expect(first).toMatchObject({ worker: house.owner.personId, start: at, put: { version: 1 } });
  expect(await put(house.lead.personId, null, 0)).toMatchObject({ ok: false, error: { code: 'conflict' } });
  expect(await put(house.desk.personId, null, 1)).toMatchObject({ ok: false, error: { code: 'invalid' } });
  expect(
    await house.give(house.lead, 'week.put', {
      jobId,
      step: 'line:99999',
      worker: null,
      at,
      minutes: null,
      version: 0,
    }),
  ).toMatchObject({ error: { code: 'not-found' } });
  value(await put(null, null, 1));
  const [again] = await stepsOf(jobId);
  expect(again?.put).toMatchObject({ worker: null, at: null });
});

test('a step that somebody says lasts longer does, and the rest of its job comes after it', async () => {
  const { jobId, line } = await house.jobWith(['rod', 'saddle-lower']);
  const { id } = await line('rod');
  const before = (await stepsOf(jobId)).find((s) => s.id === `line:${id}`);
  const which = { jobId, step: `line:${id}`, worker: null, at: null };
  value(await house.give(house.lead, 'week.put', { ...which, minutes: 180, version: 0 }));
  const steps = await stepsOf(jobId);
  const own = steps.find((s) => s.id === `line:${id}`);
  expect(own).toMatchObject({ inAll: 180, minutes: 180, put: { worker: null, at: null, minutes: 180 } });
  expect(own?.longer).toBeGreaterThan(before?.longer ?? 0);
  steps.forEach((s, i) => expect(s.start).toBeGreaterThanOrEqual(steps[i - 1]?.free ?? 0));
  expect(await house.give(house.lead, 'week.put', { ...which, minutes: 2, version: 1 })).toMatchObject({
    error: { code: 'invalid' },
  });
  value(await house.give(house.lead, 'week.put', { ...which, minutes: null, version: 1 }));
  expect((await stepsOf(jobId)).find((s) => s.id === `line:${id}`)?.minutes).toBe(before?.minutes);
});

test('who stays longer, or comes on a day off, has those hours; not on days they are away; taken back they are gone', async () => {
  const { technician, lead } = house;
  const sunday = wednesdayAnd(4);
  const { personId } = technician;
  const onSunday = async (): Promise<unknown> => {
    const own = (await week()).workers.find((w) => w.id === personId);
    const [from, to] = [momentOn(4, '00:00').getTime(), momentOn(5, '00:00').getTime()];
    return own?.hours.filter(([a]) => a >= from && a < to);
  };
  expect(await onSunday()).toEqual([]);
  const said = { personId, day: sunday, from: 600, to: 720 };
  const { id } = value(await house.give(lead, 'week.longer', said));
  expect(await onSunday()).toEqual([[momentOn(4, '10:00').getTime(), momentOn(4, '12:00').getTime()]]);
  const away = { personId, from: sunday, to: sunday, why: '' };
  const { id: gone } = value(await house.give(lead, 'week.away', away));
  expect(await onSunday()).toEqual([]);
  value(await house.give(lead, 'week.back', { id: gone }));
  value(await house.give(lead, 'week.not-longer', { id }));
  expect(await onSunday()).toEqual([]);
  expect(await house.give(lead, 'week.not-longer', { id })).toMatchObject({ error: { code: 'refused' } });
  expect(await house.give(house.desk, 'week.longer', said)).toMatchObject({ error: { code: 'not-allowed' } });
  for (const wrong of [
    { ...said, to: 600 },
    { ...said, day: '2020-01-01' },
    { ...said, personId: house.desk.personId },
  ])
    expect(await house.give(lead, 'week.longer', wrong)).toMatchObject({ error: { code: 'invalid' } });
});

test('who is away does nothing on those days, and it can be taken back', async () => {
  const { jobId, line } = await house.jobWith(['rod']);
  const { id } = await line('rod');
  const { technician, lead } = house;
  value(
    await house.give(lead, 'week.put', {
      jobId,
      step: `line:${id}`,
      worker: technician.personId,
      at: null,
      minutes: null,
      version: 0,
    }),
  );
  const away = { personId: technician.personId, from: wednesdayAnd(0), to: wednesdayAnd(2), why: 'ill' };
  const { id: entry } = value(await house.give(lead, 'week.away', away));
  const [step] = await stepsOf(jobId);
  // A weekend lies after it.
  expect(new Date(step?.start ?? 0).toISOString()).toContain(`${wednesdayAnd(5)}T09`);
  value(await house.give(lead, 'week.back', { id: entry }));
  expect(await house.give(lead, 'week.back', { id: entry })).toMatchObject({ error: { code: 'refused' } });
  expect(
    await house.give(lead, 'week.away', { ...away, from: '2020-01-01', to: '2020-01-02' }),
  ).toMatchObject({
    error: { code: 'invalid' },
  });
});

test('what waits for the customer begins when they have likely answered; what is signed or on its way home has no steps', async () => {
  const { jobId } = await house.jobWith([]);
  value(await house.give(house.technician, 'plan.add', { jobId, operation: 'rod', detail: '' }));
  const [first] = await stepsOf(jobId);
  expect(first?.waitsFor).toBe('word');
  expect(first?.start).toBeGreaterThan(WEDNESDAY.getTime() + 3_600_000);
});

test('a date that cannot be kept is in danger, and why is said', async () => {
  const { jobId } = await house.jobWith(['strings-off', 'neck-clamp', 'restring'], {
    neededBy: wednesdayAnd(2),
    hardDate: true,
    hardReason: 'concert',
  });
  const job = (await week()).jobs.find((j) => j.id === jobId);
  expect(job).toMatchObject({ endangered: true, chance: 0, hard: true });
  expect(job?.why.join(' ')).toMatch(/rest after “Clamp the neck/);
});

test('a step that nobody here may do is said, and its job is in danger', async () => {
  await house.db.models.Person.update({ skill: 'setup' }, { where: { id: house.lead.personId } });
  const { jobId } = await house.jobWith(['strings-off', 'neck-clamp'], { neededBy: wednesdayAnd(18) });
  const shown = await week();
  expect(shown.unplaced.filter((u) => u.job === jobId)[0]).toMatchObject({ why: 'nobody here may do it' });
  expect(shown.jobs.find((j) => j.id === jobId)).toMatchObject({ ready: null, chance: 0, endangered: true });
  expect(shown.jobs.find((j) => j.id === jobId)?.why[0]).toMatch(/^“Clamp the neck.*nobody here may do it$/);
  await house.db.models.Person.update({ skill: 'senior' }, { where: { id: house.lead.personId } });
});

test('what was promised is kept with its chance, and a plan that was tried is taken', async () => {
  const { jobId, line } = await house.jobWith(['rod'], { neededBy: null });
  value(await house.give(house.desk, 'week.promise', { jobId, day: wednesdayAnd(7), chance: 0.84 }));
  expect(await house.db.models.PromiseRow.findOne({ where: { jobId } })).toMatchObject({
    day: wednesdayAnd(7),
    chance: '0.840',
  });
  expect((await week()).jobs.find((j) => j.id === jobId)?.neededBy).toBe(wednesdayAnd(7));
  const { id } = await line('rod');
  const at = momentOn(2, '10:00').getTime();
  const steps = [{ jobId, step: `line:${id}`, worker: house.lead.personId, spot: null, at }];
  value(await house.give(house.lead, 'week.take', { steps, why: 'tried' }));
  const [first] = await stepsOf(jobId);
  expect(first).toMatchObject({ worker: house.lead.personId });
});

test('one’s own steps are a calendar by a link: told once, kept as its hash, ended by another and by hand', async () => {
  const { technician, lead } = house;
  const { jobId, line } = await house.jobWith(['rod']);
  const { id } = await line('rod');
  value(
    await house.give(lead, 'week.put', {
      jobId,
      step: `line:${id}`,
      worker: technician.personId,
      at: null,
      minutes: null,
      version: 0,
    }),
  );
  const me = { personId: technician.personId };
  expect(await house.give(lead, 'week.feed', me)).toMatchObject({ error: { code: 'refused' } });
  const first = value(await house.give(technician, 'week.feed', me)).token;
  const { token } = value(await house.give(technician, 'week.feed', me));
  expect(await feedOf(house.db, first, WEDNESDAY)).toBeNull();
  const text = (await feedOf(house.db, token, WEDNESDAY)) ?? '';
  const events = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent');
  const [shown] = await stepsOf(jobId);
  const own = events.map((e) => new ICAL.Event(e)).find((e) => e.uid.startsWith(`line-${id}-`));
  expect(own?.startDate.toJSDate().getTime()).toBe(shown?.start);
  const { CommandRow, WeekFeed } = house.db.models;
  expect(JSON.stringify([await CommandRow.findAll(), await WeekFeed.findAll()])).not.toContain(token);
  value(await house.give(technician, 'week.end-feed', me));
  expect(await feedOf(house.db, token, WEDNESDAY)).toBeNull();
  expect(await feedOf(house.db, 'a'.repeat(43), WEDNESDAY)).toBeNull();
});
