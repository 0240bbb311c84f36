import fc from 'fast-check';
import { checklistsFormat, readChecklists } from '../../src/contracts/formats/checklists.ts';
import { fromFileItems, toChecklistsFile, toFileItems } from '../../src/contracts/formats/checklist-items.ts';
import type { ChecklistItem } from '../../src/core/inspection/checklist.ts';
import { BENCH_ARRIVAL } from '../../src/core/inspection/lists/bench-arrival.ts';
import { SALES_FLOOR } from '../../src/core/inspection/lists/sales-floor.ts';
import { exportChecklists, loadChecklists, loadVersions } from '../../src/server/house/load-checklists.ts';
import { loadRack } from '../../src/server/rack/load-rack.ts';
import { loadJob, type JobView } from '../../src/server/leaves/load-job.ts';
import { loadHistory, loadHouseHistory } from '../../src/server/jobs/load-history.ts';
import { beHere } from '../../src/server/people/presence.ts';
import { intake, staffedHouse, value } from './house.ts';

type House = Awaited<ReturnType<typeof staffedHouse>>;

let house: House;
beforeAll(async () => {
  house = await staffedHouse('checklists');
});
afterAll(() => house.db.sequelize.close());

const takeIn = async (): Promise<{ number: number; jobId: number }> =>
  value(
    await house.give(
      house.desk,
      'desk.take-in',
      intake('steel-acoustic', {
        instrument: { ...(intake().instrument as object), serial: crypto.randomUUID() } as ReturnType<
          typeof intake
        >['instrument'],
      }),
    ),
  );
const look = async (number: number): Promise<JobView> => {
  const found = await loadJob(house.db, number);
  if (!found) throw new Error(`no job ${number}`);
  return found;
};

// Before what brings in other lists.
test('the history calls an item as the list of its own job does, also where two lists call it by two names', async () => {
  const [plain, floor] = [await takeIn(), await takeIn()];
  value(
    await house.give(house.technician, 'inspection.choose-list', {
      jobId: floor.jobId,
      list: SALES_FLOOR.id,
    }),
  );
  const from = new Date();
  for (const { jobId } of [plain, floor])
    value(
      await house.give(house.technician, 'inspection.answer', {
        jobId,
        item: 'fret-level',
        answer: 'fine',
        note: '',
        version: 0,
      }),
    );
  const titles = [BENCH_ARRIVAL, SALES_FLOOR].map(
    (l) => l.items.find((i) => i.key === 'fret-level')?.title ?? '',
  );
  expect(new Set(titles).size).toBe(2);
  for (const [i, { number }] of [plain, floor].entries()) {
    const said = (await loadHistory(house.db, number))?.entries.at(-1)?.says ?? '';
    expect(said).toContain(`“${titles[i] ?? '?'}”`);
  }
  const day = await loadHouseHistory(house.db, from, new Date(Date.now() + 1000));
  expect(day.map((e) => titles.filter((t) => e.says.includes(`“${t}”`))).flat()).toEqual(titles);
});
const save = (items: readonly ChecklistItem[], version: number, more: object = {}) =>
  house.give(house.lead, 'house.save-checklist', {
    list: BENCH_ARRIVAL.id,
    name: BENCH_ARRIVAL.name,
    ends: [],
    items: toFileItems(items),
    version,
    ...more,
  });
const own: ChecklistItem = {
  key: 'own-1',
  group: 'Bench',
  phase: 'strings-on',
  title: 'Does it stand by itself',
  help: 'Put it on its stand.',
  when: { all: [{ fact: 'vibrato', isNot: ['none'] }] },
};

describe('what the rack counts of an inspection', () => {
  test('is the same after each answer as what the job itself shows', async () => {
    const { jobId, number } = await takeIn();
    const { items } = (await look(number)).inspection;
    const leads = items.find((i) => i.leadsTo !== '')?.key ?? '';
    const [first = '', second = '', third = ''] = items.map((i) => i.key).filter((k) => k !== leads);
    const given: readonly (readonly [string, 'fine' | 'work' | 'watch' | null])[] = [
      [first, 'fine'],
      [second, 'fine'],
      [leads, 'work'],
      [third, 'watch'],
      [leads, 'fine'],
      [second, null],
      [second, 'watch'],
      [leads, 'work'],
      [leads, null],
    ];
    const versions = new Map<string, number>();
    for (const [item, answer] of given) {
      const version = versions.get(item) ?? 0;
      value(
        await house.give(house.technician, 'inspection.answer', { jobId, item, answer, note: '', version }),
      );
      versions.set(item, version + 1);
      const tag = (await loadRack(house.db)).find((r) => r.number === number);
      expect(tag?.facts).toEqual((await look(number)).facts);
    }
    expect((await look(number)).facts.answered).toBe(3);
  });
});

describe('a job that cannot be counted', () => {
  test('keeps the rack from nobody, and holds no other back', async () => {
    const [broken, whole] = [await takeIn(), await takeIn()];
    const job = await house.db.models.Job.findByPk(broken.jobId);
    const instrument = await house.db.models.Instrument.findByPk(job?.instrumentId ?? 0);
    if (!instrument) throw new Error('no instrument');
    const { construction } = instrument;
    await house.db.sequelize.query("UPDATE instruments SET construction = '[]' WHERE id = ?", {
      replacements: [instrument.id],
    });
    for (const { jobId } of [broken, whole])
      await house.db.models.Job.increment('changes', { where: { id: jobId } });
    const rack = await loadRack(house.db);
    expect(rack.map((t) => t.number)).toEqual(expect.arrayContaining([broken.number, whole.number]));
    const counted = async (jobId: number) => (await house.db.models.Job.findByPk(jobId))?.counted ?? -1;
    const changes = (await house.db.models.Job.findByPk(whole.jobId))?.changes ?? -2;
    expect(await counted(whole.jobId)).toBe(changes);
    const behind = await house.db.models.Job.findByPk(broken.jobId);
    expect(behind?.counted).toBeLessThan(behind?.changes ?? 0);
    await house.db.sequelize.query('UPDATE instruments SET construction = ? WHERE id = ?', {
      replacements: [JSON.stringify(construction), instrument.id],
    });
    await loadRack(house.db);
    const again = await house.db.models.Job.findByPk(broken.jobId);
    expect(again?.counted).toBe(again?.changes);
  });
});

describe('what the sheet answers', () => {
  test('an item whose reading stands is answered by it, may be answered otherwise, and is kept when the inspection ends', async () => {
    const { jobId, number } = await takeIn();
    const item = async (key: string) => (await look(number)).inspection.items.find((i) => i.key === key);
    expect((await item('relief'))?.answer).toBeNull();
    const at = { jobId, round: 'as-found', quantity: 'relief', string: 0, fret: 7, unit: 'thou' } as const;
    value(await house.give(house.technician, 'readings.save', { ...at, typed: '.008', version: 0 }));
    expect(await item('relief')).toMatchObject({ answer: 'fine', bySheet: true, version: 0 });
    value(await house.give(house.technician, 'readings.save', { ...at, typed: '.020', version: 1 }));
    expect(await item('relief')).toMatchObject({ answer: 'work', bySheet: true });
    const facts = (await look(number)).facts;
    expect(facts.answered).toBe(1);
    const give = (key: string, answer: 'fine' | 'watch' | null, version: number) =>
      house.give(house.technician, 'inspection.answer', { jobId, item: key, answer, note: '', version });
    value(await give('relief', 'watch', 0));
    expect(await item('relief')).toMatchObject({ answer: 'watch', bySheet: false });
    value(await give('relief', null, 1));
    expect(await item('relief')).toMatchObject({ answer: 'work', bySheet: true });

    for (const i of (await look(number)).inspection.items)
      if (i.answer === null) value(await give(i.key, 'fine', i.version));
    const finish = { jobId, version: (await look(number)).inspection.version, ending: '' };
    value(await house.give(house.technician, 'inspection.finish', finish));
    value(await house.give(house.technician, 'readings.save', { ...at, typed: '.008', version: 2 }));
    expect(await item('relief')).toMatchObject({ answer: 'work', bySheet: false, by: 'The technician' });
  });
});

describe('a list kept as its next version', () => {
  test('is asked from then on; an inspection begun before keeps the one it began with', async () => {
    const before = await takeIn();
    value(
      await house.give(house.technician, 'inspection.answer', {
        jobId: before.jobId,
        item: 'case',
        answer: 'fine',
        note: '',
        version: 0,
      }),
    );
    const known = (await look(before.number)).inspection;
    const shorter = BENCH_ARRIVAL.items.filter((i) => i.key !== 'case');
    const { version } = value(await save([own, ...shorter], BENCH_ARRIVAL.version));
    expect(version).toBe(BENCH_ARRIVAL.version + 1);
    const after = await takeIn();
    const now = (await look(after.number)).inspection;
    expect(now.checklistVersion).toBe(version);
    expect(now.items.map((i) => i.key)).not.toContain('case');
    expect((await look(before.number)).inspection).toEqual(known);
    expect((await loadVersions(house.db, BENCH_ARRIVAL.id)).map((l) => l.version)).toEqual([
      version,
      version - 1,
    ]);
  });

  test('two who keep it at once: the second hears of the first and nothing is overwritten', async () => {
    const [list] = await loadVersions(house.db, BENCH_ARRIVAL.id);
    const version = list?.version ?? 0;
    const [one, two] = await Promise.all([save([own], version), save(BENCH_ARRIVAL.items, version)]);
    expect([one.ok, two.ok].filter(Boolean)).toHaveLength(1);
    expect([one, two].find((r) => !r.ok)).toMatchObject({
      error: { code: 'conflict', theirs: { version: version + 1 } },
    });
  });

  test.each([
    ['an item twice', [own, own], 'items.1.id', '“own-1” is there twice'],
    ['no item', [], 'items', 'A list needs an item'],
    [
      'a value the fact does not have',
      [{ ...own, when: { fact: 'rod', is: ['rubber'] } }],
      'items.0.when',
      'rod “rubber” is not known',
    ],
  ] as const)('with %s is refused at its place', async (_, items, field, message) => {
    const refused = await save(items as readonly ChecklistItem[], 99);
    expect(refused).toMatchObject({ ok: false, error: { code: 'invalid', fields: { [field]: message } } });
  });

  test('is a lead’s or the owner’s business', async () => {
    const items = toFileItems([own]);
    const input = { list: 'x', name: 'X', ends: [], items, version: 0 };
    expect(await house.give(house.technician, 'house.save-checklist', input)).toMatchObject({
      error: { code: 'not-allowed' },
    });
    expect(value(await house.give(house.owner, 'house.save-checklist', input))).toEqual({ version: 1 });
    expect((await loadChecklists(house.db)).map((l) => l.id)).toContain('x');
  });
});

describe('the list a job is inspected by', () => {
  test('is chosen while nothing is answered, decides the items, and ends in one of its words', async () => {
    const { number, jobId } = await takeIn();
    value(await house.give(house.technician, 'inspection.choose-list', { jobId, list: SALES_FLOOR.id }));
    const { items, ends } = (await look(number)).inspection;
    expect(ends).toEqual(['ready for the floor', 'to the bench']);
    expect(items.map((i) => i.key)).toContain('carton');
    for (const i of items) {
      value(
        await house.give(house.technician, 'inspection.answer', {
          jobId,
          item: i.key,
          answer: 'fine',
          note: '',
          version: 0,
        }),
      );
    }
    expect(
      await house.give(house.technician, 'inspection.choose-list', { jobId, list: BENCH_ARRIVAL.id }),
    ).toMatchObject({
      ok: false,
      error: { message: 'This inspection has begun: it keeps its list.' },
    });
    const finish = async (ending: string) =>
      house.give(house.technician, 'inspection.finish', {
        jobId,
        version: (await look(number)).inspection.version,
        ending,
      });
    expect(await finish('sold')).toMatchObject({
      ok: false,
      error: { fields: { ending: expect.stringMatching(/ready for the floor/) } },
    });
    value(await finish('to the bench'));
    expect((await look(number)).inspection).toMatchObject({ ending: 'to the bench', list: SALES_FLOOR.id });
  });

  test('must be one the shop has', async () => {
    const { jobId } = await takeIn();
    expect(
      await house.give(house.technician, 'inspection.choose-list', { jobId, list: 'nothing' }),
    ).toMatchObject({
      ok: false,
      error: { message: 'The shop has no such list.' },
    });
  });
});

describe('the file of checklists', () => {
  test('what the shop gives out comes in again the same', async () => {
    const text = JSON.stringify(await exportChecklists(house.db));
    const read = value(readChecklists(text) as Parameters<typeof value>[0]) as ReturnType<
      typeof toChecklistsFile
    >;
    expect(read.map((l) => ({ ...l, items: fromFileItems(l.items) }))).toEqual(
      await loadChecklists(house.db),
    );
  });

  test.each([
    ['no JSON', '{', 'This is no JSON file.'],
    ['another thing', '{"a":1}', /no file of checklists\. the file: /],
    ['no list', '[]', /There is no list in it/],
    [
      'an item without its text',
      JSON.stringify([{ ...toChecklistsFile([SALES_FLOOR])[0], items: [{ id: 'a' }] }]),
      /0\.items\.0\.text/,
    ],
    [
      'a field nobody knows',
      JSON.stringify([{ ...toChecklistsFile([SALES_FLOOR])[0], script: 'x' }]),
      /script/,
    ],
  ])('%s is refused with its place', (_, text, says) => {
    const read = readChecklists(text);
    expect(read.ok ? 'read' : read.error).toMatch(says);
  });

  test('whatever is broken in it, it is read whole or refused, never half', () => {
    const good = toChecklistsFile([BENCH_ARRIVAL, SALES_FLOOR]);
    const text = JSON.stringify(good);
    fc.assert(
      fc.property(fc.nat(text.length - 1), fc.nat(40), fc.string({ maxLength: 6 }), (at, out, put) => {
        const read = readChecklists(text.slice(0, at) + put + text.slice(at + out));
        if (read.ok) expect(checklistsFormat.safeParse(read.value).success).toBe(true);
        else expect(read.error).toMatch(/^This is no (JSON file|file of checklists)/);
      }),
      { numRuns: 150 },
    );
    fc.assert(
      fc.property(fc.json(), (anything) => {
        expect(readChecklists(anything).ok).toBe(false);
      }),
    );
  });
});

test('who is on a job is seen by the others there, until they are gone', async () => {
  const { number } = await takeIn();
  const tablet2 = await house.db.models.Device.create({
    name: 'two',
    tokenHash: 'y'.repeat(64),
    pairedAt: new Date(),
  });
  const tomas = { ...house.lead, deviceId: tablet2.id };
  const at = (ms: number) => new Date(1_800_000_000_000 + ms);
  const place = { number, leaf: 'inspection', item: 'relief' } as const;
  expect(await beHere(house.db, house.technician, place, at(0))).toEqual([]);
  expect(await beHere(house.db, tomas, { ...place, leaf: 'plan', item: '' }, at(1000))).toEqual([
    { name: 'The technician', initials: 't', leaf: 'inspection', item: 'relief' },
  ]);
  expect(await beHere(house.db, house.technician, place, at(2000))).toMatchObject([
    { name: 'The lead', leaf: 'plan' },
  ]);
  expect(await beHere(house.db, tomas, { ...place, number: number + 1 }, at(3000))).toEqual([]);
  expect(await beHere(house.db, house.technician, place, at(4000))).toEqual([]);
  expect(await beHere(house.db, tomas, place, at(60_000))).toEqual([]);
});
