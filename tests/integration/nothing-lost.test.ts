/** What could cost a shop its record: the house's own clock, secrets kept as hashes, one open job, one place, taken back. */
import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import type { FeedEvent } from '../../src/server/live/feed.ts';
import { EventFeed } from '../../src/server/live/feed.ts';
import { openLink } from '../../src/server/links/customer-link.ts';
import { loadHistory } from '../../src/server/jobs/load-history.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { deliverDue } from '../../src/server/messages/deliver.ts';
import type { Outgoing } from '../../src/devices/message-gateway.ts';
import { openDatabase } from '../../src/server/db/connection.ts';
import { sweep } from '../../src/server/keep/sweep.ts';
import { loadDuplicates } from '../../src/server/shelf/load-duplicates.ts';
import { intake, staffedHouse, value } from './house.ts';

type House = Awaited<ReturnType<typeof staffedHouse>>;
let house: House;
beforeAll(async () => {
  process.env['RUBRICA_SECRET'] = 'only for the tests';
  house = await staffedHouse('nothing_lost');
});
afterAll(() => house.db.sequelize.close());

let serial = 0;
const takenIn = async (more: Parameters<typeof intake>[1] = {}) =>
  value(
    await house.give(house.desk, 'desk.take-in', {
      ...intake('steel-acoustic', {
        instrument: {
          maker: 'Wendlow',
          model: 'Otter',
          year: '',
          serial: `NL-${++serial}`,
          construction: usualConstruction('steel-acoustic') as never,
        },
      }),
      ...more,
    }),
  );
const relief = (jobId: number, version: number, typed = '.008', round = 'as-found') => ({
  jobId,
  round: round as 'as-found',
  quantity: 'relief' as const,
  string: 0,
  fret: 7,
  typed,
  unit: 'thou' as const,
  version,
});
/** Every text the database keeps anywhere. */
async function everything(): Promise<string> {
  const { sequelize } = house.db;
  const tables = await sequelize.query<{ name: string }>(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE() AND table_type = 'BASE TABLE'",
    { type: QueryTypes.SELECT },
  );
  const rows = await Promise.all(
    tables.map(({ name }) => sequelize.query(`SELECT * FROM \`${name}\``, { type: QueryTypes.SELECT })),
  );
  return JSON.stringify(rows);
}

describe('one clock, the house’s', () => {
  test('a tablet that is slow, or says what time it is, makes no fresh reading stale', async () => {
    const { jobId, number } = await takenIn();
    const line = value(
      await house.give(house.technician, 'plan.add', { jobId, operation: 'rod', detail: '' }),
    );
    await house.give(house.lead, 'work.answer', {
      lineId: line.lineId,
      version: 0,
      answer: 'yes',
      by: 'Petra',
      how: 'in writing',
    });
    const step = async (action: 'start' | 'finish', version: number, without?: string) =>
      value(
        await house.give(house.technician, 'work.step', {
          lineId: line.lineId,
          version,
          action,
          ...(without && { without }),
        }),
      );
    const { version } = await step('start', 1, 'nothing is read yet');
    await step('finish', version);
    const slow = { ...relief(jobId, 0), at: new Date(Date.now() - 120_000).toISOString() };
    value(await house.give(house.technician, 'readings.save', slow));
    const job = await loadJob(house.db, number);
    const [reading] = job?.readings.readings ?? [];
    expect(reading).toMatchObject({ typed: '.008', stale: null });
    expect(Math.abs(Date.parse(reading?.takenAt ?? '') - Date.now())).toBeLessThan(60_000);
  });

  test('what waited says how long, and counts from then', async () => {
    const { jobId, number } = await takenIn();
    const now = new Date('2026-11-20T10:00:00.000Z');
    const input = { ...relief(jobId, 0), ago: 90_000 };
    value(await house.give(house.technician, 'readings.save', input, randomUUID(), () => now));
    const row = await house.db.models.ReadingRow.findOne({ order: [['id', 'DESC']] });
    expect(row?.takenAt.toISOString()).toBe('2026-11-20T09:58:30.000Z');
    // When it arrived is kept beside when it was done; what came at once says nothing of it.
    const said = (await loadHistory(house.db, number))?.entries.at(-1);
    expect([said?.at, said?.arrived]).toEqual(['2026-11-20T09:58:30.000Z', '2026-11-20T10:00:00.000Z']);
    expect(said?.says).not.toContain('arrived');
    value(await house.give(house.technician, 'readings.save', relief(jobId, 1, '.009')));
    expect((await loadHistory(house.db, number))?.entries.at(-1)?.arrived).toBeNull();
  });
});

describe('what opens a customer’s link is kept as its hash alone', () => {
  test('the same command says the same link again, and nothing in the house holds it', async () => {
    const { jobId } = await takenIn();
    const id = randomUUID();
    const first = value(await house.give(house.desk, 'work.link', { jobId, purpose: 'estimate' }, id));
    const again = value(await house.give(house.desk, 'work.link', { jobId, purpose: 'estimate' }, id));
    expect(again).toEqual(first);
    expect(first.token).toMatch(/^[\w-]{43}$/);
    expect(await openLink(house.db, first.token, 'estimate', new Date())).not.toBeNull();
    expect(await everything()).not.toContain(first.token);
    const other = value(await house.give(house.desk, 'work.link', { jobId, purpose: 'estimate' }));
    expect(other.token).not.toBe(first.token);
  });

  test('a message carries a link that only what leaves the house says; once delivered its words are gone', async () => {
    const { jobId } = await takenIn({
      customer: { name: 'Petra Aldous', phone: '555 0101', email: 'petra@example.test' },
    });
    value(await house.give(house.desk, 'desk.message', { jobId, purpose: 'estimate', channel: 'mail' }));
    const sent: Outgoing[] = [];
    const post = (ok: boolean) => ({
      name: 'test',
      simulated: true,
      send: (m: Outgoing) => {
        sent.push(m);
        return Promise.resolve(ok ? { ok: true as const } : { ok: false as const, trouble: 'away' });
      },
    });
    const later = new Date(Date.now() + 3_600_000);
    await deliverDue(house.db, later, post(false));
    const row = await house.db.models.MessageRow.findOne({ order: [['id', 'DESC']] });
    expect(row?.body).toContain('{link}');
    value(await house.give(house.desk, 'desk.resend', { messageId: row?.id ?? 0 }));
    await deliverDue(house.db, new Date(later.getTime() + 3_600_000), post(true));
    const token = /\/estimate\/([\w-]{43})/.exec(sent.at(-1)?.body ?? '')?.[1] ?? '';
    expect(await openLink(house.db, token, 'estimate', new Date())).not.toBeNull();
    const kept = await everything();
    expect(kept).not.toContain(token);
    expect(kept).not.toContain('Read it in peace');
    await row?.reload();
    expect(row).toMatchObject({ state: 'delivered', body: '' });
  });

  test('what only serves for a while is swept', async () => {
    const { models } = house.db;
    const old = new Date(Date.now() - 40 * 86_400_000);
    const { personId, deviceId } = house.desk;
    await models.CommandRow.create({ id: randomUUID(), name: 'x', personId, answer: {}, at: old });
    await models.Session.create({
      tokenHash: 'o'.repeat(64),
      personId,
      deviceId,
      createdAt: old,
      expiresAt: old,
    });
    const fresh = await models.CommandRow.count();
    await sweep(house.db, new Date());
    expect(await models.CommandRow.count()).toBe(fresh - 1);
    expect(await models.Session.count({ where: { tokenHash: 'o'.repeat(64) } })).toBe(0);
  });
});

describe('a reading', () => {
  test('is fresh when the same is read again', async () => {
    const { jobId } = await takenIn();
    const at = (minute: number) => () => new Date(Date.UTC(2026, 10, 20, 10, minute));
    value(await house.give(house.technician, 'readings.save', relief(jobId, 0), randomUUID(), at(0)));
    value(await house.give(house.technician, 'readings.save', relief(jobId, 1), randomUUID(), at(30)));
    const row = await house.db.models.ReadingRow.findOne({ order: [['id', 'DESC']] });
    expect([row?.typed, row?.takenAt.getUTCMinutes(), row?.version]).toEqual(['.008', 30, 2]);
  });

  test('is taken back, and a screen that still shows it cannot write over what is read next', async () => {
    const { jobId, number } = await takenIn();
    const { typed: _t, unit: _u, ...place } = relief(jobId, 1);
    value(await house.give(house.technician, 'readings.save', relief(jobId, 0)));
    const stale = await house.give(house.technician, 'readings.take-back', { ...place, version: 7 });
    expect(stale).toMatchObject({ ok: false, error: { code: 'conflict' } });
    value(await house.give(house.technician, 'readings.take-back', place));
    expect((await loadJob(house.db, number))?.readings.readings).toEqual([]);
    expect(await house.give(house.technician, 'readings.take-back', place)).toMatchObject({
      ok: false,
      error: { code: 'refused' },
    });
    value(await house.give(house.lead, 'readings.save', relief(jobId, 0, '.011')));
    const overOld = await house.give(house.technician, 'readings.save', relief(jobId, 1, '.005'));
    expect(overOld).toMatchObject({ ok: false, error: { code: 'conflict', theirs: { says: '.011' } } });
    const [, event] = await house.db.models.EventRow.findAll({ where: { jobId, entity: 'reading' } });
    expect(event).toMatchObject({ kind: 'reading taken back', data: { before: { typed: '.008' } } });
  });

  test('keeps its unit: bare ends of a range that count differently are written out', async () => {
    const { jobId } = await takenIn();
    value(await house.give(house.technician, 'readings.save', relief(jobId, 0, '.006 to 10')));
    const row = await house.db.models.ReadingRow.findOne({ order: [['id', 'DESC']] });
    expect([row?.typed, Number(row?.value)]).toEqual(['.006 in to 10 thou', expect.closeTo(8 * 0.0254, 6)]);
  });
});

describe('one open job an instrument, one instrument a place', () => {
  test('two desks at once: one is taken in, the other is told', async () => {
    const first = await takenIn();
    const job = await house.db.models.Job.findOne({ where: { number: first.number } });
    await job?.update({ state: 'closed', closedAt: new Date() });
    const again = { instrument: { id: job?.instrumentId ?? 0 }, customer: { id: job?.customerId ?? 0 } };
    const both = await Promise.all(
      [1, 2, 3, 4].map(() => house.give(house.desk, 'desk.take-in', intake('steel-acoustic', again))),
    );
    expect(both.filter((b) => b.ok)).toHaveLength(1);
    for (const b of both) if (!b.ok) expect(b.error.message).toContain('already here as job');
    await expect(
      house.db.sequelize.query(
        `INSERT INTO jobs (number, instrument_id, customer_id, complaint, touch, wish, strings_state, waiting_for, facts, taken_in_at, taken_in_by)
         SELECT 9999, instrument_id, customer_id, complaint, touch, wish, strings_state, waiting_for, facts, taken_in_at, taken_in_by
         FROM jobs WHERE instrument_id = ${job?.instrumentId} AND state = 'open'`,
      ),
    ).rejects.toThrow();
  });

  test('a place that is taken is said at its field, and both hang there when that was meant', async () => {
    const place = await house.db.models.Place.findOne({ where: { name: 'A1' } });
    const placeId = place?.id ?? 0;
    const first = await takenIn({ placeId });
    const taken = {
      ok: false,
      error: { fields: { placeId: expect.stringContaining(`${first.number} hangs at A1`) as unknown } },
    };
    const second = { ...intake('nylon'), placeId };
    expect(await house.give(house.desk, 'desk.take-in', second)).toMatchObject(taken);
    const { jobId } = await takenIn();
    const job = await house.db.models.Job.findByPk(jobId);
    const move = {
      jobId,
      version: job?.version ?? 0,
      placeId,
      holderId: null,
      waitingFor: 'hands' as const,
      waitingNote: '',
    };
    expect(await house.give(house.desk, 'rack.move', move)).toMatchObject(taken);
    const { version } = value(await house.give(house.desk, 'rack.move', { ...move, together: true }));
    // It stays where it hangs: nothing is asked again.
    value(await house.give(house.desk, 'rack.move', { ...move, version, waitingNote: 'strings' }));
  });

  test('of two who hang something at one place at the same moment, one hears of the other', async () => {
    const place = await house.db.models.Place.findOne({ where: { name: 'B4' } });
    const jobs = await Promise.all([takenIn(), takenIn()]);
    const moved = await Promise.all(
      jobs.map(async ({ jobId }) => {
        const job = await house.db.models.Job.findByPk(jobId);
        return house.give(house.desk, 'rack.move', {
          jobId,
          version: job?.version ?? 0,
          placeId: place?.id ?? 0,
          holderId: null,
          waitingFor: 'hands',
          waitingNote: '',
        });
      }),
    );
    expect(moved.map((m) => m.ok).sort()).toEqual([false, true]);
  });
});

test('a long name of a kind, and a finding of an item with a long key, fit', async () => {
  const name = `Kind ${'with a long name '.repeat(3)}`.slice(0, 60);
  const construction = usualConstruction('steel-acoustic') as never;
  const { id } = value(
    await house.give(house.lead, 'house.save-kind', { id: '', version: 0, name, construction }),
  );
  expect(id.length).toBeGreaterThan(30);
  const taken = await takenIn({
    instrument: { maker: '', model: 'One', year: '', serial: 'LONG-1', kind: id, construction },
  });
  await house.db.models.EventRow.create({
    at: new Date(),
    personId: null,
    deviceId: null,
    jobId: taken.jobId,
    kind: 'line decided',
    entity: 'line',
    entityId: `finding:${'k'.repeat(40)}`,
    fromVersion: null,
    data: {},
  });
});

test('a payment that somebody else wrote down meanwhile is not written over', async () => {
  const { jobId } = await takenIn();
  const pay = (amountMinor: number, over: number) =>
    house.give(house.desk, 'hand-over.paid', {
      jobId,
      kind: 'payment',
      amountMinor,
      how: 'cash',
      note: '',
      over,
    });
  value(await pay(5000, 0));
  expect(await pay(7000, 0)).toMatchObject({ ok: false, error: { code: 'conflict' } });
  value(await pay(7000, 5000));
});

test('a feed that begins without the database tells nothing old when it is there', async () => {
  await takenIn();
  const heard: FeedEvent[] = [];
  const gone = openDatabase('mariadb://nobody:x@127.0.0.1:1/none');
  let away = true;
  const feed = new EventFeed(() => (away ? gone : house.db));
  let hasBegun = false;
  const stop = feed.listen(
    (events) => heard.push(...events),
    () => (hasBegun = true),
  );
  await new Promise((r) => setTimeout(r, 300));
  away = false;
  while (!hasBegun) await new Promise((r) => setTimeout(r, 20));
  expect(heard).toEqual([]);
  const { number } = await takenIn();
  while (heard.length === 0) await new Promise((r) => setTimeout(r, 20));
  stop();
  await gone.sequelize.close();
  expect(heard.map((h) => h.job)).toEqual([number]);
});

test('the book is searched for doubles only when it changed', async () => {
  const [first, second] = [await loadDuplicates(house.db), await loadDuplicates(house.db)];
  expect(second).toBe(first);
  await takenIn();
  expect(await loadDuplicates(house.db)).not.toBe(first);
});

test('each connection has models of its own', async () => {
  const url = (process.env['RUBRICA_TEST_SERVER'] ?? '').replace('{database}', 'rubrica_nothing_lost');
  const second = openDatabase(url);
  expect(second.models.Customer).not.toBe(house.db.models.Customer);
  await second.sequelize.close();
  expect(await house.db.models.Customer.count()).toBeGreaterThan(0);
});
