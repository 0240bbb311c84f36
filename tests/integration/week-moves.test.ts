/** What the plan of the week moves by itself is told, with why; what people put themselves is not. */
import { loadWeek } from '../../src/server/week/load-week.ts';
import { momentOn, WEDNESDAY } from './a-wednesday.ts';
import { value } from './house.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('week_moves');
});
afterAll(() => house.db.sequelize.close());

const HOUR = 3_600_000;
const week = (at = WEDNESDAY) => loadWeek(house.db, at);
const movedOf = async (id: string, at = WEDNESDAY) => (await week(at)).moved.filter((m) => m.step === id);
const put = (
  jobId: number,
  step: string,
  to: { worker: number | null; at: number | null },
  version: number,
) => house.give(house.lead, 'week.put', { jobId, step, minutes: null, version, ...to });

test('who is away does nothing that day: where it stood first, where it stands, and why; back again it is no news', async () => {
  const { jobId, line } = await house.jobWith(['rod']);
  const step = `line:${(await line('rod')).id}`;
  const stood = (await week()).steps.find((s) => s.id === step);
  expect(stood).toBeDefined();
  expect(await movedOf(step)).toEqual([]);
  const day = WEDNESDAY.toISOString().slice(0, 10);
  const worker = stood?.worker ?? 0;
  value(await house.give(house.lead, 'week.away', { personId: worker, from: day, to: day, why: '' }));
  const [moved] = await movedOf(step);
  expect(moved).toMatchObject({ title: stood?.title, was: { worker, start: stood?.start } });
  expect(moved?.is).not.toEqual(moved?.was);
  expect(moved?.why).toMatch(/^The \w+ is not here then$/);
  // Moved on once more, it still says where it stood first.
  const others = [house.technician, house.lead, house.owner].filter((p) => p.personId !== worker);
  for (const { personId } of others)
    value(await house.give(house.lead, 'week.away', { personId, from: day, to: day, why: '' }));
  const [again] = await movedOf(step);
  expect(again?.was).toEqual(moved?.was);
  expect(again?.is).not.toEqual(moved?.is);
  // Put by hand, it is nothing the plan did.
  const where = { worker, at: momentOn(2, '14:00').getTime() };
  const { version } = value(await put(jobId, step, where, 0));
  expect(await movedOf(step)).toEqual([]);
  value(await put(jobId, step, { worker: null, at: null }, version));
  await house.db.models.Absence.update({ takenBackAt: WEDNESDAY }, { where: {} });
});

test('what nobody began goes on to later, and says so; the next day begins anew', async () => {
  const { line } = await house.jobWith(['rod']);
  const step = `line:${(await line('rod')).id}`;
  const stood = (await week()).steps.find((s) => s.id === step);
  const later = new Date((stood?.start ?? 0) + HOUR);
  const [moved] = await movedOf(step, later);
  expect(moved?.was.start).toBe(stood?.start);
  expect(moved?.is.start).toBeGreaterThan(stood?.start ?? Infinity);
  expect(moved?.why).toMatch(/its time came, and nobody began it|before it is not over/);
  const [nextDay] = await movedOf(step, momentOn(1, '09:00'));
  expect(nextDay?.was.start).toBe(moved?.is.start);
});

test('a plan that somebody takes is theirs: what it puts elsewhere is not told as moved by itself', async () => {
  const { jobId, line } = await house.jobWith(['rod']);
  const step = `line:${(await line('rod')).id}`;
  const stood = (await week()).steps.find((s) => s.id === step);
  const at = momentOn(5, '10:00').getTime();
  const place = { step, jobId, worker: stood?.worker ?? 0, spot: stood?.spot ?? null, at };
  value(await house.give(house.lead, 'week.take', { steps: [place], why: 'tried' }));
  expect((await week()).steps.find((s) => s.id === step)?.start).toBe(at);
  expect(await movedOf(step)).toEqual([]);
});
