/** The machine's clock is set while people work: what runs keeps its length, nobody is locked out, no hours are invented. */
import { randomUUID } from 'node:crypto';
import { watchClock } from '../../cli/watch/watch-clock.ts';
import { clockWasSet } from '../../src/server/upkeep/clock-set.ts';
import { loadHouseHistory } from '../../src/server/jobs/load-history.ts';
import { value } from './house.ts';
import { workingHouse } from './working-house.ts';

const MINUTE = 60_000;
const TEN = Date.parse('2026-11-25T10:00:00.000Z');
const at = (minutes: number): Date => new Date(TEN + minutes * MINUTE);

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('clock_set');
});
afterAll(() => house.db.sequelize.close());

/** A step, as the clock on the wall shows when it is tapped. */
async function tap(lineId: number, action: 'start' | 'pause' | 'finish', when: Date): Promise<void> {
  const line = await house.db.models.WorkLine.findByPk(lineId, { rejectOnEmpty: true });
  const input = { lineId, version: line.version, action, without: 'as it is' };
  value(await house.give(house.technician, 'work.step', input, randomUUID(), () => when));
}

test.each([
  ['back', -60, 9 * 60 + 30],
  ['forward', 60, 11 * 60 + 30],
])('set %s by an hour after ten minutes: another twenty make thirty', async (_, by, shows) => {
  const job = await house.jobWith(['clean-body']);
  const { id } = await job.line('clean-body');
  await tap(id, 'start', at(0));
  await clockWasSet(house.db, by * MINUTE, at(10).getTime());
  await tap(id, 'pause', at(shows - 600));
  expect((await job.line('clean-body')).workedMs).toBe(30 * MINUTE);
});

test('a rest that runs ends when it would have; one that is over, and a day somebody said, stay', async () => {
  const job = await house.jobWith(['bridge-reglue', 'crack-glue']);
  const [glued, before] = [await job.line('bridge-reglue'), await job.line('crack-glue')];
  await tap(before.id, 'start', at(-20_000));
  await tap(before.id, 'finish', at(-19_990));
  await tap(glued.id, 'start', at(-5));
  await tap(glued.id, 'finish', at(0));
  const row = () => house.db.models.Job.findByPk(job.jobId, { rejectOnEmpty: true });
  const until = (await row()).waitingUntil?.getTime() ?? 0;
  const over = (await house.db.models.WorkLine.findByPk(before.id))?.finishedAt;
  await clockWasSet(house.db, -60 * MINUTE, at(10).getTime());
  expect((await row()).waitingUntil?.getTime()).toBe(until - 60 * MINUTE);
  expect((await house.db.models.WorkLine.findByPk(glued.id))?.finishedAt).toEqual(at(-60));
  expect((await house.db.models.WorkLine.findByPk(before.id))?.finishedAt).toEqual(over);
  const said = (await row()).version;
  value(
    await house.give(house.lead, 'rack.move', {
      jobId: job.jobId,
      version: said,
      placeId: null,
      waitingFor: 'word',
      waitingNote: '',
      holderId: null,
    }),
  );
  await clockWasSet(house.db, 24 * 60 * MINUTE, at(-40).getTime());
  expect((await row()).waitingUntil).toBeNull();
});

test('set back by an hour, what is read after new strings went on is fresh, what was read before is not', async () => {
  const { number, jobId } = await house.jobWith([]);
  const read = async (string: number, when: Date) =>
    value(
      await house.give(
        house.technician,
        'readings.save',
        {
          jobId,
          round: 'as-found',
          quantity: 'action',
          string,
          fret: 12,
          typed: '6',
          unit: '64ths',
          version: 0,
        },
        randomUUID(),
        () => when,
      ),
    );
  await read(6, at(0));
  const strings = [0.054, 0.042, 0.032, 0.024, 0.016, 0.012].map((inch, i) => ({
    note: ['E2', 'A2', 'D3', 'G3', 'B3', 'E4'][i] ?? '',
    gauge: inch * 25.4,
    wound: i < 4,
  }));
  const on = { jobId, setName: 'new', fresh: true, strings };
  value(
    await house.give(house.technician, 'strings.off', { jobId, reason: 'one broke' }, randomUUID(), () =>
      at(4),
    ),
  );
  value(await house.give(house.technician, 'strings.on', on, randomUUID(), () => at(5)));
  await clockWasSet(house.db, -60 * MINUTE, at(10).getTime());
  await read(1, at(-49));
  const readings = (await house.view(number)).readings.readings.filter((r) => r.quantity === 'action');
  expect(readings.map((r) => [r.string, r.stale !== null])).toEqual(
    expect.arrayContaining([
      [6, true],
      [1, false],
    ]),
  );
});

test('sessions and locks of names keep their length, and the log says what was done', async () => {
  const { Session, PinTroubleRow, Device } = house.db.models;
  const { personId } = house.lead;
  const device = await Device.findOne({ rejectOnEmpty: true });
  const made = await Session.create({
    tokenHash: 's'.repeat(64),
    personId,
    deviceId: device.id,
    createdAt: at(0),
    usedAt: at(5),
    expiresAt: at(600),
  });
  await PinTroubleRow.create({
    personId,
    deviceId: device.id,
    failed: 6,
    lockedUntil: at(12),
    failedAt: at(10),
  });
  await clockWasSet(house.db, 3 * 24 * 60 * MINUTE, at(10).getTime());
  await made.reload();
  expect([made.usedAt, made.expiresAt]).toEqual([at(3 * 1440 + 5), at(3 * 1440 + 600)]);
  expect((await PinTroubleRow.findOne({ where: { personId } }))?.lockedUntil).toEqual(at(3 * 1440 + 12));
  const history = await loadHouseHistory(house.db, at(3 * 1440), at(3 * 1440 + 20));
  expect(history.at(-1)).toMatchObject({
    by: 'the house',
    says: 'saw the machine’s clock set forward by 4320 min, and kept the length of what ran',
  });
});

test('it is seen by the clock that runs on: once, and not while both only run', async () => {
  const looks = [0, 1000, 2000, -3_597_000, -3_596_000].map((wall, i) => ({ wall, running: i * 1000 }));
  let i = 0;
  const before = await house.db.models.EventRow.count({ where: { kind: 'clock set' } });
  const stop = watchClock(house.db, () => looks[Math.min(i++, looks.length - 1)] ?? { wall: 0, running: 0 });
  while (i < looks.length) await new Promise((go) => setTimeout(go, 50));
  await stop();
  expect(await house.db.models.EventRow.count({ where: { kind: 'clock set' } })).toBe(before + 1);
});
