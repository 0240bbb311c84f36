import { randomUUID } from 'node:crypto';
import type { CommandInput } from '../../src/contracts/commands/commands.ts';
import { loadAfterwards } from '../../src/server/desk/load-afterwards.ts';
import { loadBiography } from '../../src/server/shelf/load-biography.ts';
import { loadWatches } from '../../src/server/shelf/load-watches.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('biography');
});
afterAll(() => house.db.sequelize.close());

const DAY = 86_400_000;
const now = () => new Date();

/** A visit whose action of the lowest string was left so, mm, closed so many days ago. */
async function closedVisit(left: string, daysAgo: number, instrumentId?: number) {
  const { order, technician, db } = house;
  const { jobId, number } = await house.jobWith(['rod']);
  const read = { jobId, round: 'as-left' as const, quantity: 'action' as const, string: 6, fret: 12 };
  await order(technician, 'readings.save', { ...read, typed: left, unit: 'mm', version: 0 });
  const closedAt = new Date(Date.now() - daysAgo * DAY);
  await db.models.Job.update(
    { state: 'closed', closedAt, takenInAt: closedAt, ...(instrumentId && { instrumentId }) },
    { where: { id: jobId } },
  );
  await db.models.ReadingRow.update(
    { takenAt: closedAt },
    { where: { roundId: (await db.models.Round.findAll({ where: { jobId } })).map((r) => r.id) } },
  );
  const job = await db.models.Job.findByPk(jobId, { rejectOnEmpty: true });
  return { id: job.instrumentId, jobId, number };
}

const WATCH: Omit<CommandInput<'shelf.watch'>, 'instrumentId'> = {
  what: 'action-bass',
  side: 'above',
  limit: '2.2 mm',
  unit: 'mm',
  note: 'tires the hand',
};

test('something is watched once, with its limit; past it, its owner is on the list until somebody called', async () => {
  const { order, give, technician, desk, db } = house;
  const { id, number } = await closedVisit('2.4 mm', 40);
  const { watchId } = await order(technician, 'shelf.watch', { instrumentId: id, ...WATCH });
  const again = await give(technician, 'shelf.watch', { instrumentId: id, ...WATCH }, randomUUID());
  expect(again).toMatchObject({ error: { code: 'refused' } });
  const wrong = await give(
    technician,
    'shelf.watch',
    { instrumentId: id, ...WATCH, side: 'below', limit: 'low' },
    randomUUID(),
  );
  expect(wrong).toMatchObject({ error: { code: 'invalid', fields: { limit: expect.any(String) } } });
  const denied = await give(desk, 'shelf.watch', { instrumentId: id, ...WATCH }, randomUUID());
  expect(denied).toMatchObject({ error: { code: 'not-allowed' } });
  expect((await loadWatches(db, now(), id))[0]?.reach).toMatchObject({ state: 'reached', value: 2.4 });
  const mine = async () => (await loadAfterwards(db, now())).filter((i) => i.instrumentId === id);
  const [item] = await mine();
  expect(item).toMatchObject({ source: `watch:${watchId}`, job: { number }, last: null });
  const noted = { instrumentId: id, source: `watch:${watchId}`, note: 'after Christmas' };
  const soon = new Date(Date.now() + 20 * DAY).toISOString().slice(0, 10);
  await order(desk, 'desk.afterwards', { ...noted, outcome: 'later', againOn: soon });
  expect(await mine()).toEqual([]);
  await order(desk, 'desk.afterwards', {
    ...noted,
    outcome: 'later',
    againOn: now().toISOString().slice(0, 10),
  });
  expect((await mine())[0]?.last).toMatchObject({ outcome: 'later', note: 'after Christmas' });
  await order(desk, 'desk.afterwards', { ...noted, outcome: 'never', againOn: null });
  expect(await mine()).toEqual([]);
});

test('a limit is changed at the version that was seen, and ended; what was set at each visit is asked in time', async () => {
  const { order, give, technician, db } = house;
  const { id } = await closedVisit('1.9 mm', 40);
  const { watchId } = await order(technician, 'shelf.watch', { instrumentId: id, ...WATCH });
  const change = {
    watchId,
    version: 0,
    limit: '1.8 mm',
    unit: 'mm' as const,
    side: 'above' as const,
    note: '',
    ended: false,
  };
  expect(await order(technician, 'shelf.change-watch', change)).toEqual({ version: 1 });
  expect(await give(technician, 'shelf.change-watch', change, randomUUID())).toMatchObject({
    error: { code: 'conflict' },
  });
  expect((await loadWatches(db, now(), id))[0]).toMatchObject({ limit: 1.8, reach: { state: 'reached' } });
  await order(technician, 'shelf.change-watch', { ...change, version: 1, ended: true });
  expect(await loadWatches(db, now(), id)).toEqual([]);
  expect(await give(technician, 'shelf.change-watch', { ...change, version: 2 }, randomUUID())).toMatchObject(
    {
      error: { code: 'not-found' },
    },
  );
});

test('what is original and what is kept is said, put right, and goes with the instrument when two entries are one', async () => {
  const { order, give, technician, owner, db } = house;
  const { id } = await closedVisit('2 mm', 30);
  const other = await closedVisit('2 mm', 20);
  const said = {
    instrumentId: id,
    part: 'nut' as const,
    state: 'replaced' as const,
    knownBy: 'glue',
    lookedUp: '',
  };
  expect(await order(technician, 'shelf.originality', { ...said, version: 0 })).toEqual({ version: 1 });
  expect(await give(technician, 'shelf.originality', { ...said, version: 0 }, randomUUID())).toMatchObject({
    error: { code: 'conflict' },
  });
  await order(technician, 'shelf.originality', { ...said, state: 'unknown', version: 1 });
  const part = { name: 'old nut', place: 'drawer 3', measures: '' };
  const { partId } = await order(technician, 'shelf.keep-part', { instrumentId: id, ...part });
  await order(technician, 'shelf.change-part', { partId, version: 0, ...part, gone: 'given back' });
  await order(technician, 'shelf.watch', { instrumentId: id, ...WATCH });
  const book = await loadBiography(db, id, now());
  expect(book?.originality).toMatchObject([{ part: 'nut', state: 'unknown', version: 2 }]);
  expect(book?.kept).toMatchObject([{ name: 'old nut', gone: 'given back' }]);
  expect(book?.owners).toHaveLength(1);
  const { mergeId } = await order(owner, 'shelf.merge', {
    entity: 'instrument',
    keepId: other.id,
    goneId: id,
    verdict: 'same',
  });
  const joined = await loadBiography(db, other.id, now());
  expect([joined?.watches.length, joined?.kept.length]).toEqual([1, 1]);
  await order(owner, 'shelf.undo-merge', { mergeId });
  const apart = await loadBiography(db, id, now());
  expect([apart?.watches.length, apart?.kept.length]).toEqual([1, 1]);
});

test('a message that offers a look says why, and is refused without', async () => {
  const { order, give, owner, db } = house;
  const { id, jobId } = await closedVisit('2 mm', 10);
  const { customerId } = await db.models.Instrument.findByPk(id, { rejectOnEmpty: true });
  await db.models.Customer.update({ email: 'someone@else.example' }, { where: { id: customerId } });
  const offer = { jobId, purpose: 'look' as const, channel: 'mail' as const };
  expect(await give(owner, 'desk.message', offer, randomUUID())).toMatchObject({
    error: { code: 'invalid', fields: { why: expect.any(String) } },
  });
  const { messageId } = await order(owner, 'desk.message', {
    ...offer,
    why: 'its frets have probably worn further',
  });
  const row = await db.models.MessageRow.findByPk(messageId, { rejectOnEmpty: true });
  expect(row.body).toContain('its frets have probably worn further');
  expect(row.body).not.toContain('{why}');
});

test('what is inside is said with values and wires, put right, replaced, and goes with the instrument', async () => {
  const { order, give, technician, desk, owner, db } = house;
  const { id } = await closedVisit('2 mm', 30);
  const other = await closedVisit('2 mm', 20);
  const part = { name: 'Tone condenser', value: '22 nF', wires: 'tone lug 2 to the case', note: '' };
  expect(await give(desk, 'shelf.inside', { instrumentId: id, ...part }, randomUUID())).toMatchObject({
    error: { code: 'not-allowed' },
  });
  expect(
    await give(technician, 'shelf.inside', { instrumentId: id, ...part, name: ' ' }, randomUUID()),
  ).toMatchObject({ error: { code: 'invalid', fields: { name: 'What is it?' } } });
  const { partId } = await order(technician, 'shelf.inside', { instrumentId: id, ...part });
  const change = { partId, ...part, value: '47 nF', gone: '' };
  await order(technician, 'shelf.change-inside', { ...change, version: 0 });
  expect(
    await give(technician, 'shelf.change-inside', { ...change, version: 0 }, randomUUID()),
  ).toMatchObject({ error: { code: 'conflict' } });
  const inside = async (of: number) => (await loadBiography(db, of, now()))?.inside ?? [];
  expect(await inside(id)).toMatchObject([{ value: '47 nF', wires: part.wires, gone: '', version: 1 }]);
  await order(technician, 'shelf.change-inside', { ...change, version: 1, gone: 'leaked; a new one is in' });
  expect(await inside(id)).toMatchObject([{ gone: 'leaked; a new one is in' }]);
  const joining = { entity: 'instrument' as const, keepId: other.id, goneId: id, verdict: 'same' as const };
  const { mergeId } = await order(owner, 'shelf.merge', joining);
  expect([(await inside(other.id)).length, (await inside(id)).length]).toEqual([1, 0]);
  await order(owner, 'shelf.undo-merge', { mergeId });
  expect([(await inside(other.id)).length, (await inside(id)).length]).toEqual([0, 1]);
  const said = await db.models.EventRow.findAll({
    where: { entity: 'part inside', entityId: String(partId) },
  });
  expect(said.map((e) => e.kind)).toEqual(['inside said', 'inside changed', 'inside changed']);
});
