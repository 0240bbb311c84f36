import type { Act } from '../../src/core/practice/acts.ts';
import { practiceInstrument, readCode } from '../../src/core/practice/instrument.ts';
import { perfectLearner } from '../../src/core/practice/learner-for-tests.ts';
import { loadBench, loadPractice, loadSounding } from '../../src/server/practice/load-practice.ts';
import type { Actor } from '../../src/server/use-case/use-case.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('practice');
});
afterAll(() => house.db.sequelize.close());

const RELIEF: Act = { kind: 'read', station: 'relief:0:7' };
const WANTED = { kind: 'steel-acoustic', level: 1, about: null, code: '' } as const;

const begun = async (who: Actor, code = ''): Promise<number> =>
  (await house.order(who, 'practice.begin', { ...WANTED, code })).sessionId;

async function doAll(who: Actor, sessionId: number, acts: readonly Act[], from = 0): Promise<number> {
  let version = from;
  for (const act of acts)
    version = (await house.order(who, 'practice.do', { sessionId, version, act })).version;
  return version;
}

/** How many rows the shop’s own tables hold, table by table. */
async function rowsOfShop(): Promise<Readonly<Record<string, number>>> {
  const { models } = house.db;
  const apart = new Set(['PracticeSession', 'PracticeActRow', 'CommandRow']);
  const counted = Object.entries(models).filter(([name]) => !apart.has(name));
  return Object.fromEntries(
    await Promise.all(
      counted.map(async ([name, m]) => [name, await (m as { count(): Promise<number> }).count()]),
    ),
  ) as Record<string, number>;
}

test('nothing of it reaches the shop: no record, no stock, no numbers, no learning', async () => {
  const before = await rowsOfShop();
  expect(Object.keys(before).length).toBeGreaterThan(60);
  const id = await begun(house.technician, 'steel-acoustic.1.7');
  const p = practiceInstrument({ kind: 'steel-acoustic', level: 1, seed: 7, about: null });
  const version = await doAll(house.technician, id, perfectLearner(p));
  await house.order(house.technician, 'practice.end', {
    sessionId: id,
    version,
    named: p.faults.map((f) => f.id),
  });
  expect(await rowsOfShop()).toEqual(before);
});

test('two who take the same code have the same instrument, and the same readings of it', async () => {
  const [one, two] = [await begun(house.technician, 'bass.2.3mv'), await begun(house.desk, ' BASS.2.3MV ')];
  const acts: readonly Act[] = [{ kind: 'look', item: 'tune' }, RELIEF, RELIEF];
  await doAll(house.technician, one, acts);
  await doAll(house.desk, two, acts);
  const [a, b] = [
    await loadBench(house.db, house.technician.personId, one),
    await loadBench(house.db, house.desk.personId, two),
  ];
  expect(a?.view.entries).toEqual(b?.view.entries);
  expect(a?.view.says).toBe(b?.view.says);
  expect(a?.view.code).toBe('bass.2.3mv');
  // A new one is another every time.
  const codes = await Promise.all(
    Array.from(
      { length: 4 },
      async () => (await loadBench(house.db, house.owner.personId, await begun(house.owner)))?.view.code,
    ),
  );
  expect(new Set(codes).size).toBe(4);
  expect(codes.every((c) => readCode(c ?? '') !== null)).toBe(true);
});

test('nobody sees, works on or opens another’s; its inside is told only once it is handed back', async () => {
  const id = await begun(house.technician, 'steel-acoustic.2.a');
  expect(await loadBench(house.db, house.desk.personId, id)).toBeNull();
  expect(await loadSounding(house.db, house.desk.personId, id, { string: 0, held: 0 })).toBeNull();
  for (const refused of [
    await house.give(house.desk, 'practice.do', { sessionId: id, version: 0, act: RELIEF }),
    await house.give(house.desk, 'practice.end', { sessionId: id, version: 0, named: [] }),
    await house.give(house.desk, 'practice.drop', { sessionId: id }),
  ])
    expect(refused).toMatchObject({ ok: false, error: { code: 'not-found' } });
  const version = await doAll(house.technician, id, [RELIEF]);
  const open = await loadBench(house.db, house.technician.personId, id);
  expect(open?.opened).toBeNull();
  expect(open?.truth).toBeNull();
  expect(JSON.stringify(open?.view)).not.toContain('truth');
  expect(await loadSounding(house.db, house.technician.personId, id, { string: 0, held: 3 })).toMatchObject({
    frets: expect.arrayContaining([4]) as unknown,
  });
  expect(await loadSounding(house.db, house.technician.personId, id, { string: 9, held: 3 })).toBeNull();
  const { score } = await house.order(house.technician, 'practice.end', {
    sessionId: id,
    version,
    named: ['saddle-low'],
  });
  const opened = await loadBench(house.db, house.technician.personId, id);
  expect(opened?.opened?.score).toBe(score);
  expect(opened?.opened?.faults.map((f) => [f.id, f.named, f.cured])).toEqual([
    ['high-fret', false, false],
    ['saddle-low', true, false],
  ]);
  expect(opened?.truth).not.toBeNull();
  // What was handed back stays as it is.
  expect(
    await house.give(house.technician, 'practice.do', { sessionId: id, version, act: RELIEF }),
  ).toMatchObject({
    error: { code: 'closed' },
  });
  expect(await house.give(house.technician, 'practice.drop', { sessionId: id })).toMatchObject({
    error: { code: 'closed' },
  });
});

test('two screens of one person do not overwrite each other; the same command twice is done once', async () => {
  const id = await begun(house.technician);
  await doAll(house.technician, id, [RELIEF]);
  expect(
    await house.give(house.technician, 'practice.do', { sessionId: id, version: 0, act: RELIEF }),
  ).toMatchObject({
    error: { code: 'conflict', theirs: { version: 1 } },
  });
  const input = { sessionId: id, version: 1, act: RELIEF };
  const command = 'f0f0f0f0-0000-4000-8000-00000000a001';
  const [one, two] = [
    await house.give(house.technician, 'practice.do', input, command),
    await house.give(house.technician, 'practice.do', input, command),
  ];
  expect(two).toEqual(one);
  expect((await loadBench(house.db, house.technician.personId, id))?.view.entries).toHaveLength(2);
});

test.each<readonly [string, Act, string]>([
  ['a place that is not read', { kind: 'read', station: 'radius:0:1' }, 'act.station'],
  ['nothing to look at', { kind: 'look', item: 'vibrato-arm' }, 'act.item'],
  ['a string it has not', { kind: 'pluck', string: 6, held: 0 }, 'act.string'],
  ['a fret it has not', { kind: 'pluck', string: 0, held: 20 }, 'act.held'],
  ['work on another kind', { kind: 'work', operation: 'shim', amount: 0.3 }, 'act.operation'],
  ['a rod turned by nobody knows what', { kind: 'work', operation: 'rod' }, 'act.eighths'],
  ['two turns at once', { kind: 'work', operation: 'rod', eighths: 16 }, 'act.eighths'],
  ['a slot without its depth', { kind: 'work', operation: 'nut-slots', string: 0 }, 'act.amount'],
  ['a slot cut upward', { kind: 'work', operation: 'nut-slots', string: 0, amount: -0.2 }, 'act.amount'],
  ['a fret beyond the last', { kind: 'work', operation: 'fret-spot', fret: 23 }, 'act.fret'],
  ['a saddle by inches', { kind: 'work', operation: 'saddle-lower', bass: 40, treble: 40 }, 'act.bass'],
])('refused at its field: %s', async (_what, act, field) => {
  const sessionId = await begun(house.technician, 'steel-acoustic.1.1');
  const refused = await house.give(house.technician, 'practice.do', { sessionId, version: 0, act });
  expect(refused).toMatchObject({ ok: false, error: { code: 'invalid' } });
  if (!refused.ok && refused.error.code === 'invalid')
    expect(Object.keys(refused.error.fields)).toContain(field);
  await house.order(house.technician, 'practice.drop', { sessionId });
});

test('a lead sets one for a person and sees how it came out; a technician sets nothing; put away is gone', async () => {
  const set = { ...WANTED, code: 'steel-acoustic.1.7', personId: house.technician.personId };
  expect(await house.give(house.technician, 'practice.set', set)).toMatchObject({
    error: { code: 'not-allowed' },
  });
  expect(await house.give(house.owner, 'practice.set', { ...set, personId: 99_999 })).toMatchObject({
    error: { code: 'invalid' },
  });
  expect(await house.give(house.owner, 'practice.set', { ...set, code: 'lute.1.1' })).toMatchObject({
    error: { code: 'invalid', fields: { code: 'There is no instrument of that code.' } },
  });
  const { sessionId } = await house.order(house.owner, 'practice.set', set);
  const mine = async () => (await loadPractice(house.db, house.technician.personId)).open;
  expect((await mine()).find((s) => s.id === sessionId)?.setBy).toBe(house.owner.name);
  const seen = async () =>
    (await loadPractice(house.db, house.owner.personId)).set.find((s) => s.id === sessionId);
  expect(await seen()).toMatchObject({ person: house.technician.name, done: 0, score: null });
  const { score } = await house.order(house.technician, 'practice.end', {
    sessionId,
    version: 0,
    named: ['back-bow'],
  });
  expect(await seen()).toMatchObject({ score });
  const other = await house.order(house.owner, 'practice.set', set);
  await house.order(house.owner, 'practice.drop', { sessionId: other.sessionId });
  expect((await mine()).some((s) => s.id === other.sessionId)).toBe(false);
});

test('progress is counted for oneself by kind of fault; too many unfinished ones are too many', async () => {
  const practice = await loadPractice(house.db, house.technician.personId);
  expect(practice.finished).toBeGreaterThanOrEqual(3);
  expect(practice.progress.find((g) => g.group === 'neck')).toMatchObject({ named: 2 });
  expect((await loadPractice(house.db, house.lead.personId)).finished).toBe(0);
  let refused: unknown = null;
  for (let n = 0; n < 14 && refused === null; n++) {
    const done = await house.give(house.lead, 'practice.begin', WANTED);
    if (!done.ok) refused = done.error;
  }
  expect(refused).toMatchObject({
    code: 'invalid',
    fields: { kind: expect.stringContaining('12 stand there') as unknown },
  });
});
