import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import { replay } from '../../src/core/history/replay.ts';
import { operationsFile } from '../../src/contracts/formats/operations-file.ts';
import { answerEstimate, askByLink, openEstimate, photoByLink } from '../../src/server/customer/estimate.ts';
import { loadNotices } from '../../src/server/people/notices.ts';
import { value, unsaid } from './house.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('work');
});
afterAll(() => house.db.sequelize.close());

const view: typeof house.view = (number) => house.view(number);
const give: typeof house.order = (...all) => house.order(...all);
const jobWith: typeof house.jobWith = (...all) => house.jobWith(...all);

const read = (jobId: number, quantity: 'relief', typed: string, version = 0) =>
  give(house.technician, 'readings.save', {
    jobId,
    round: version === 0 ? 'as-found' : 'as-found',
    quantity,
    string: 0,
    fret: 7,
    typed,
    unit: 'thou',
    version,
  });

describe('the order of the work', () => {
  test('lines come by what they need, and move within it', async () => {
    const job = await jobWith(['clean-body', 'saddle-lower', 'rod']);
    const titles = async () => (await view(job.number)).lines.map((l) => l.operation);
    expect(await titles()).toEqual(['rod', 'saddle-lower', 'clean-body']);
    const clean = await job.line('clean-body');
    await give(house.technician, 'work.move', { lineId: clean.id, version: clean.version, to: 0 });
    expect(await titles()).toEqual(['clean-body', 'rod', 'saddle-lower']);
    const saddle = await job.line('saddle-lower');
    expect(saddle.range).toEqual({ first: 2, last: 2 });
    const refused = await house.give(house.technician, 'work.move', {
      lineId: saddle.id,
      version: saddle.version,
      to: 0,
    });
    expect(refused).toMatchObject({ ok: false, error: { code: 'refused' } });
    const stale = await house.give(house.lead, 'work.move', {
      lineId: clean.id,
      version: clean.version,
      to: 1,
    });
    expect(stale).toMatchObject({ ok: false, error: { code: 'conflict' } });
  });

  test('a step waits for those it needs, and for the reading it is cut by', async () => {
    const job = await jobWith(['saddle-lower', 'rod']);
    expect(await job.step('saddle-lower', 'start')).toMatchObject({
      ok: false,
      error: { message: 'First: Adjust the truss rod.' },
    });
    value(await job.step('rod', 'start'));
    value(await job.step('rod', 'finish'));
    expect((await job.line('saddle-lower')).hinders.map((h) => h.kind)).toEqual(['rest', 'reading']);
    const unread = await job.step('saddle-lower', 'start');
    expect(unread).toMatchObject({ ok: false, error: { code: 'invalid' } });
    // Both are said at once: one reason passes both by.
    expect(JSON.stringify(unread)).toContain('It rests after “Adjust the truss rod”');
    expect(JSON.stringify(unread)).toContain('read again first what it is cut by');
    value(await job.step('saddle-lower', 'start', house.technician, { without: 'only a hair, by eye' }));
  });

  test('the rod is not turned again before its relief was read', async () => {
    const job = await jobWith(['rod']);
    value(await job.step('rod', 'start'));
    value(await job.step('rod', 'pause'));
    const again = await job.step('rod', 'start', house.technician, { without: 'in a hurry' });
    expect(again).toMatchObject({ ok: false, error: { code: 'refused' } });
    await read(job.jobId, 'relief', '9');
    value(await job.step('rod', 'start'));
  });
});

describe('clocks', () => {
  test('a slip is taken back as if it had not been tapped, by who made it', async () => {
    const job = await jobWith(['clean-body']);
    value(await job.step('clean-body', 'start'));
    expect(await job.step('clean-body', 'undo', house.lead)).toMatchObject({ ok: false });
    value(await job.step('clean-body', 'undo'));
    expect(await job.line('clean-body')).toMatchObject({ step: 'ready', clocks: [] });
    value(await job.step('clean-body', 'start'));
    value(await job.step('clean-body', 'finish'));
    value(await job.step('clean-body', 'undo'));
    const back = await job.line('clean-body');
    expect(back).toMatchObject({ step: 'running', finishedAt: null });
    expect(back.clocks).toHaveLength(1);
    expect(back.clocks[0]?.to).toBeNull();
    expect(await job.step('clean-body', 'undo')).toMatchObject({ ok: false });
  });

  test('a forgotten clock is noticed and put right with the reason', async () => {
    const job = await jobWith(['clean-body']);
    const then = new Date(Date.now() - 9 * 3_600_000);
    const { id: lineId, version } = await job.line('clean-body');
    await give(house.technician, 'work.step', { lineId, version, action: 'start' }, () => then);
    const [clock] = (await job.line('clean-body')).clocks;
    expect(clock?.forgotten).toBe(true);
    const entryId = clock?.id ?? 0;
    expect(
      await house.give(house.technician, 'work.correct-clock', {
        entryId,
        minutes: 9999,
        reason: 'typed wrong',
      }),
    ).toMatchObject({
      ok: false,
      error: { fields: { minutes: expect.stringContaining('cannot have been more') } },
    });
    await give(house.technician, 'work.correct-clock', { entryId, minutes: 25, reason: 'went home' });
    expect(await job.line('clean-body')).toMatchObject({ step: 'paused', workedMs: 25 * 60_000 });
  });

  test('a rest counts down from the step’s end, and is taken back with it', async () => {
    const job = await jobWith(['bridge-reglue']);
    value(await job.step('bridge-reglue', 'start', house.technician, { without: 'nothing is cut here' }));
    value(await job.step('bridge-reglue', 'finish'));
    const resting = await view(job.number);
    expect(resting.waitingFor).toBe('time');
    expect(resting.waits[0]?.until).toBe(Date.parse(resting.waitingUntil ?? ''));
    value(await job.step('bridge-reglue', 'undo'));
    expect(await view(job.number)).toMatchObject({ waitingFor: 'hands', waits: [] });
  });

  test('somebody’s own word of what it rests for stands in the place of a step’s rest', async () => {
    const job = await jobWith(['bridge-reglue']);
    value(await job.step('bridge-reglue', 'start', house.technician, { without: 'nothing is cut here' }));
    value(await job.step('bridge-reglue', 'finish'));
    const hung = async (note?: string) => {
      const { id: jobId, version, placeId, holderId, waitingNote } = await view(job.number);
      const said = {
        jobId,
        version,
        placeId,
        holderId,
        waitingFor: 'time',
        waitingNote: note ?? waitingNote,
      };
      value(await house.give(house.desk, 'rack.move', { ...said, waitingFor: 'time' }));
      return (await view(job.number)).waitingUntil;
    };
    expect(await hung()).not.toBeNull();
    expect(await hung('under tension, three days')).toBeNull();
  });

  test('what was done without a connection counts from when it was done', async () => {
    const job = await jobWith(['clean-body']);
    const waited = (minutes: number) => ({ ago: minutes * 60_000 });
    value(await job.step('clean-body', 'start', house.technician, waited(30)));
    value(await job.step('clean-body', 'pause', house.technician, waited(10)));
    expect((await job.line('clean-body')).workedMs / 60_000).toBeCloseTo(20, 1);
    value(await job.step('clean-body', 'start', house.technician, waited(90 * 24 * 60)));
    const since = Date.parse((await job.line('clean-body')).runningSince ?? '');
    expect(Math.abs(since - Date.now())).toBeLessThan(60_000);
  });
});

describe('found while inside', () => {
  test('stops its line until the customer has answered, and cannot be worked around', async () => {
    const job = await jobWith(['clean-body', 'socket'], { limitMinor: 5_000 });
    value(await job.step('socket', 'start'));
    const socket = await job.line('socket');
    const over = await house.give(house.technician, 'work.ask-change', {
      jobId: job.jobId,
      operation: 'refret',
      detail: '',
      found: 'frets worn through',
      stops: socket.id,
      withinLimit: true,
    });
    expect(over).toMatchObject({ ok: false, error: { code: 'refused' } });
    const asked = await give(house.technician, 'work.ask-change', {
      jobId: job.jobId,
      operation: 'wiring',
      detail: '',
      found: 'the ground wire is broken',
      stops: socket.id,
      withinLimit: false,
    });
    expect(asked.approval).toBe('asked');
    expect(await job.line('socket')).toMatchObject({ step: 'paused', still: true });
    expect(await job.step('socket', 'start')).toMatchObject({ ok: false });
    expect(await job.step('socket', 'finish')).toMatchObject({ ok: false });
    value(await job.step('clean-body', 'start'));
    expect((await loadNotices(house.db, house.desk.personId)).some((n) => n.number === job.number)).toBe(
      true,
    );
    const change = await job.line('wiring');
    await give(house.desk, 'work.answer', {
      lineId: change.id,
      version: change.version,
      answer: 'no',
      by: 'Petra',
      how: 'by telephone',
    });
    value(await job.step('socket', 'start'));
  });

  test('inside the limit it may go on at once; where nothing can go on the job waits for a word', async () => {
    const job = await jobWith(['clean-body'], { limitMinor: 100_000 });
    const within = await give(house.technician, 'work.ask-change', {
      jobId: job.jobId,
      operation: 'battery',
      detail: '',
      found: 'flat',
      stops: null,
      withinLimit: true,
    });
    expect(within.approval).toBe('yes');
    expect(await job.line('battery')).toMatchObject({ approvedHow: 'within the limit' });
    const battery = await job.line('battery');
    const clean = await job.line('clean-body');
    for (const stops of [battery.id, clean.id])
      await give(house.technician, 'work.ask-change', {
        jobId: job.jobId,
        operation: 'tighten',
        detail: '',
        found: 'loose',
        stops,
        withinLimit: false,
      });
    expect((await view(job.number)).waitingFor).toBe('word');
  });
});

describe('between people', () => {
  test('a question is answered, the answer stays, and each hears of it', async () => {
    const job = await jobWith(['rod']);
    const { remarkId } = await give(house.technician, 'work.remark', {
      jobId: job.jobId,
      lineId: null,
      kind: 'question',
      words: 'Would you turn it further?',
      toPerson: house.lead.personId,
    });
    const bell = await loadNotices(house.db, house.lead.personId);
    expect(bell[0]).toMatchObject({ kind: 'question', number: job.number });
    await give(house.lead, 'work.reply', { remarkId, version: 0, answer: 'No. @The owner, look too.' });
    expect((await loadNotices(house.db, house.technician.personId))[0]?.kind).toBe('answer');
    expect((await loadNotices(house.db, house.owner.personId))[0]?.kind).toBe('mention');
    const late = await house.give(house.owner, 'work.reply', { remarkId, version: 0, answer: 'Yes.' });
    expect(late).toMatchObject({ ok: false, error: { code: 'conflict', theirs: { by: 'The lead' } } });
    await give(house.lead, 'people.seen', { upTo: bell[0]?.id ?? 0 });
    expect(await loadNotices(house.db, house.lead.personId)).toEqual([]);
  });

  test('a job handed on carries how it stands and what is stale; the giver’s clock stops', async () => {
    const job = await jobWith(['rod', 'clean-body']);
    await read(job.jobId, 'relief', '14');
    value(await job.step('rod', 'start'));
    value(await job.step('rod', 'finish'));
    value(await job.step('clean-body', 'start', house.technician, { without: 'the neck is left alone' }));
    const { version } = await view(job.number);
    await give(house.technician, 'work.hand-on', {
      jobId: job.jobId,
      version,
      toPerson: house.lead.personId,
      state: 'rod is moved',
      tried: 'an eighth',
      beware: 'worn key',
    });
    const now = await view(job.number);
    expect(now.holder).toBe('The lead');
    expect(now.handOns[0]).toMatchObject({
      from: 'The technician',
      stale: [expect.stringContaining('elief')],
    });
    expect(await job.line('clean-body')).toMatchObject({ step: 'paused', runningSince: null });
    const stale = await house.give(house.owner, 'work.hand-on', {
      jobId: job.jobId,
      version,
      toPerson: house.lead.personId,
      state: 'mine',
      tried: '',
      beware: '',
    });
    expect(stale).toMatchObject({ ok: false, error: { code: 'conflict' } });
  });
});

describe('the customer’s link', () => {
  test('opens one job’s estimate, is answered line by line once, ends and is taken back', async () => {
    const job = await jobWith(['clean-body']);
    const other = await jobWith(['clean-body']);
    await give(house.technician, 'plan.add', { jobId: job.jobId, operation: 'nut-new', detail: '' });
    // Whoever holds it answers as the customer: a technician is not told it.
    expect(
      await house.give(house.technician, 'work.link', { jobId: job.jobId, purpose: 'estimate' }),
    ).toMatchObject({ ok: false, error: { code: 'refused' } });
    const { token, linkId } = await give(house.desk, 'work.link', { jobId: job.jobId, purpose: 'estimate' });
    const now = new Date();
    const estimate = await openEstimate(house.db, token, now);
    const line = estimate?.lines.find((l) => l.approval === 'asked');
    expect(estimate?.number).toBe(job.number);
    const said = { lineId: line?.id ?? 0, version: line?.version ?? 0, by: 'Petra Aldous' };
    const theirs = (await view(other.number)).lines[0];
    expect(
      await answerEstimate(house.db, token, { ...said, lineId: theirs?.id ?? 0, answer: 'no' }, now),
    ).toMatchObject({ ok: false });
    expect(await answerEstimate(house.db, token, { ...said, version: 9, answer: 'yes' }, now)).toMatchObject({
      ok: false,
    });
    expect(await answerEstimate(house.db, token, { ...said, answer: 'yes' }, now)).toEqual({ ok: true });
    expect(await answerEstimate(house.db, token, { ...said, answer: 'yes' }, now)).toEqual({ ok: true });
    expect(await answerEstimate(house.db, token, { ...said, answer: 'no' }, now)).toMatchObject({
      ok: false,
    });
    expect(await job.line('nut-new')).toMatchObject({ approval: 'yes', approvedHow: 'by the link' });
    expect(await askByLink(house.db, token, { words: 'Bone?', by: 'Petra' }, now)).toEqual({ ok: true });
    expect((await view(job.number)).remarks.at(-1)).toMatchObject({ customer: true, words: 'Bone?' });
    const days = (n: number) => new Date(now.getTime() + n * 86_400_000);
    expect(await openEstimate(house.db, token, days(13))).not.toBeNull();
    expect(await openEstimate(house.db, token, days(15))).toBeNull();
    await give(house.desk, 'work.withdraw-link', { linkId });
    expect(await openEstimate(house.db, token, now)).toBeNull();
    expect(await openEstimate(house.db, 'x'.repeat(43), now)).toBeNull();
    const rows = await house.db.sequelize.query<{ token_hash: string }>(
      'SELECT token_hash FROM customer_links',
      {
        type: QueryTypes.SELECT,
      },
    );
    expect(rows.some((r) => r.token_hash === token)).toBe(false);
  });

  test('an estimate shows photos of its lines and no other', async () => {
    const job = await jobWith(['clean-body']);
    const { token } = await give(house.desk, 'work.link', { jobId: job.jobId, purpose: 'estimate' });
    const photo = (item: string | null, jobId = job.jobId) =>
      house.db.models.Photo.create({
        jobId,
        markId: null,
        item,
        digest: randomUUID().replace(/-/g, '').padEnd(64, '0'),
        width: 10,
        height: 10,
        takenBy: house.desk.personId,
        takenAt: new Date(),
      });
    const [own, arrival] = [await photo('line:1'), await photo(null)];
    const elsewhere = await photo('line:1', (await jobWith([])).jobId);
    const shows = (id: number, t = token) => photoByLink(house.db, t, id, new Date());
    expect([await shows(own.id), await shows(arrival.id), await shows(elsewhere.id)]).toEqual([
      true,
      false,
      false,
    ]);
    expect(await shows(own.id, 'y'.repeat(43))).toBe(false);
  });
});

test('the log alone says what stands in the house', async () => {
  const { models } = house.db;
  const log = await models.EventRow.findAll({ order: [['id', 'ASC']] });
  const said = replay(
    log.map((e) => ({ kind: e.kind, entity: e.entity, entityId: e.entityId, data: e.data, jobId: e.jobId })),
  );
  for (const line of await models.WorkLine.findAll()) {
    expect([line.id, said.steps.get(String(line.id)) ?? 'ready']).toEqual([line.id, line.step]);
  }
  for (const remark of await models.Remark.findAll())
    expect(said.remarks.get(String(remark.id))).toEqual({ words: remark.words, answer: remark.answer });
});

test('a line keeps the operation it was agreed with: a later catalogue changes nothing that is under way', async () => {
  const job = await jobWith(['rod', 'saddle-lower']);
  const before = (await view(job.number)).lines;
  const operations = operationsFile()
    .filter((o) => o.id !== 'rod')
    .map((o) =>
      o.id === 'saddle-lower'
        ? {
            ...o,
            needs: [],
            hazards: ['something else'],
            minutes: { low: 1, likely: 2, high: 3 },
            stale: [],
            reversible: true,
          }
        : o,
    );
  await give(house.lead, 'house.save-operations', { version: 0, operations, note: 'another way' });
  const after = (await view(job.number)).lines;
  expect(
    after.map(({ minutes, hazards, needs, forGood, wait, hinders }) => ({
      minutes,
      hazards,
      needs,
      forGood,
      wait,
      hinders,
    })),
  ).toEqual(
    before.map(({ minutes, hazards, needs, forGood, wait, hinders }) => ({
      minutes,
      hazards,
      needs,
      forGood,
      wait,
      hinders,
    })),
  );
  const other = await jobWith(['saddle-lower']);
  expect((await view(other.number)).lines[0]).toMatchObject({
    hazards: ['something else'],
    forGood: '',
  });
  await give(house.lead, 'house.save-operations', {
    version: 1,
    operations: operationsFile(),
    note: 'as before',
  });
});

test('every change of it reads as a sentence', async () => {
  expect(await unsaid(house.db)).toEqual([]);
});
