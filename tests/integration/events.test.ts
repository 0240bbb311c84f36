import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { database } from '../../src/server/db/connection.ts';
import {
  changesSince,
  EventFeed,
  listenToEvents,
  logPosition,
  MISSED,
  type FeedEvent,
} from '../../src/server/live/feed.ts';
import { intake, staffedHouse, value } from './house.ts';

type House = Awaited<ReturnType<typeof staffedHouse>>;

let house: House;
const before = process.env['RUBRICA_DATABASE_URL'];
beforeAll(async () => {
  house = await staffedHouse('events');
  process.env['RUBRICA_DATABASE_URL'] = (process.env['RUBRICA_TEST_SERVER'] ?? '').replace(
    '{database}',
    'rubrica_events',
  );
});
afterAll(async () => {
  // The feed opened the process's own database.
  await database().sequelize.close();
  if (before === undefined) delete process.env['RUBRICA_DATABASE_URL'];
  else process.env['RUBRICA_DATABASE_URL'] = before;
  await house.db.sequelize.close();
});

const settled = (ms: number) => new Promise((r) => setTimeout(r, ms));

/** Waits as long as the test may: how fast the machine is, is not asked here. */
async function until(what: () => boolean): Promise<void> {
  while (!what()) await settled(20);
}

/** Listens with a feed that is known to have begun. */
async function heardBy(feed: { listen: EventFeed['listen'] }): Promise<[FeedEvent[], stop: () => void]> {
  const heard: FeedEvent[] = [];
  const stop = await new Promise<() => void>((resolve) => {
    const end = feed.listen(
      (all) => heard.push(...all),
      () => setTimeout(() => resolve(end)),
    );
  });
  return [heard, stop];
}

const HOUSES = { listen: listenToEvents };

const event = (kind: string, transaction: Transaction | null = null) =>
  house.db.models.EventRow.create(
    {
      at: new Date(),
      personId: house.desk.personId,
      deviceId: null,
      jobId: null,
      kind,
      entity: 'test',
      entityId: '1',
      fromVersion: null,
      data: {},
    },
    { transaction },
  );

describe('what happened since a page was made', () => {
  test('nothing, or each of it in its order', async () => {
    value(await house.give(house.desk, 'desk.take-in', intake()));
    const made = await logPosition(house.db);
    expect(await changesSince(house.db, made)).toEqual([]);
    await event('one');
    await event('two');
    expect((await changesSince(house.db, made)).map((c) => c.kind)).toEqual(['one', 'two']);
  });

  test('what came late under an older number is missed by nobody: all look again', async () => {
    const slow = await house.db.sequelize.transaction();
    await event('slow', slow);
    await event('quick');
    const made = await logPosition(house.db);
    expect(await changesSince(house.db, made)).toEqual([]);
    await slow.commit();
    expect(await changesSince(house.db, made)).toEqual([MISSED]);
  });

  test('very much of it is said as one change', async () => {
    const made = await logPosition(house.db);
    await house.db.models.EventRow.bulkCreate(
      Array.from({ length: 1001 }, () => ({
        at: new Date(),
        personId: null,
        deviceId: null,
        jobId: null,
        kind: 'many',
        entity: 'test',
        entityId: '1',
        fromVersion: null,
        data: {},
      })),
    );
    expect(await changesSince(house.db, made)).toEqual([MISSED]);
  });
});

describe('the event feed', () => {
  test('tells what happens after one began to listen, once each, and stops when asked', async () => {
    value(await house.give(house.desk, 'desk.take-in', intake()));
    const [heard, stop] = await heardBy(HOUSES);
    expect(heard).toEqual([]);
    const { number } = value(await house.give(house.desk, 'desk.take-in', intake()));
    await until(() => heard.length === 1);
    expect(heard[0]).toMatchObject({ job: number, kind: 'job taken in', personId: house.desk.personId });
    await settled(900);
    expect(heard).toHaveLength(1);
    stop();
    value(await house.give(house.desk, 'desk.take-in', intake()));
    await settled(900);
    expect(heard).toHaveLength(1);
  });

  test('hears a slow transaction whose id is older than what was already told', async () => {
    const [heard, stop] = await heardBy(HOUSES);
    const slow = await house.db.sequelize.transaction();
    await event('slow', slow);
    await event('quick');
    await until(() => heard.some((e) => e.kind === 'quick'));
    await slow.commit();
    await until(() => heard.some((e) => e.kind === 'slow'));
    expect(heard.map((e) => e.kind)).toEqual(['quick', 'slow']);
    stop();
  });

  test('woken before it has begun, and left and joined again at once, it tells nothing old and nothing twice', async () => {
    for (let i = 0; i < 3; i++) value(await house.give(house.desk, 'desk.take-in', intake()));
    const feed = new EventFeed(() => house.db);
    const first: FeedEvent[] = [];
    const leave = feed.listen((all) => first.push(...all));
    feed.wake();
    leave();
    const again = heardBy(feed);
    feed.wake();
    const [heard, stop] = await again;
    const [also, stopAlso] = await heardBy(feed);
    const { number } = value(await house.give(house.desk, 'desk.take-in', intake()));
    for (let i = 0; i < 5; i++) feed.wake();
    await until(() => heard.length > 0);
    await settled(500);
    stop();
    stopAlso();
    expect(first).toEqual([]);
    expect(heard.map((e) => e.job)).toEqual([number]);
    expect(also).toEqual(heard);
  });

  test('a command that is refused leaves neither a change nor an event', async () => {
    const [events, jobs, commands] = await counts();
    const id = randomUUID();
    const done = await house.give(
      house.desk,
      'desk.take-in',
      intake('ukulele', { instrument: { id: 999_999 } }),
      id,
    );
    expect(done).toMatchObject({ ok: false, error: { code: 'refused' } });
    expect(await counts()).toEqual([events, jobs, commands]);
    // The same id may be used again once what was wrong is right.
    value(await house.give(house.desk, 'desk.take-in', intake('ukulele'), id));
    expect(await counts()).toEqual([(events ?? 0) + 1, (jobs ?? 0) + 1, (commands ?? 0) + 1]);
  });

  const counts = (): Promise<number[]> =>
    Promise.all([
      house.db.models.EventRow.count(),
      house.db.models.Job.count(),
      house.db.models.CommandRow.count(),
    ]);
});

describe('where it hangs', () => {
  test('moving it says so to everybody, and a lost race shows what the other one said', async () => {
    const { jobId } = value(await house.give(house.desk, 'desk.take-in', intake()));
    const place = await house.db.models.Place.findOne({ where: { name: 'B2' } });
    const move = (version: number, waitingFor: 'time' | 'word') =>
      house.give(house.technician, 'rack.move', {
        jobId,
        version,
        placeId: place?.id ?? null,
        waitingFor,
        waitingNote: '',
        holderId: house.lead.personId,
      });
    const [a, b] = await Promise.all([move(0, 'time'), move(0, 'word')]);
    expect([a.ok, b.ok].filter(Boolean)).toHaveLength(1);
    const lost = a.ok ? b : a;
    expect(lost).toMatchObject({
      ok: false,
      error: { code: 'conflict', theirs: { by: 'The lead', version: 1 } },
    });
    const log = await house.db.models.EventRow.findAll({ where: { jobId, kind: 'job moved' } });
    expect(log).toHaveLength(1);
  });

  test('an instrument that is in the house is not taken in twice', async () => {
    const { jobId } = value(await house.give(house.desk, 'desk.take-in', intake()));
    const job = await house.db.models.Job.findByPk(jobId);
    const again = await house.give(
      house.desk,
      'desk.take-in',
      intake('steel-acoustic', {
        customer: { id: job?.customerId ?? 0 },
        instrument: { id: job?.instrumentId ?? 0 },
      }),
    );
    expect(again).toMatchObject({
      ok: false,
      error: { code: 'refused', message: expect.stringContaining('already here') as string },
    });
  });
});
