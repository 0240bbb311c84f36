import { findAnything } from '../../src/server/find/find-anything.ts';
import { intake, staffedHouse, value } from './house.ts';

let house: Awaited<ReturnType<typeof staffedHouse>>;
const numbers: Record<string, number> = {};
beforeAll(async () => {
  house = await staffedHouse('find');
  const take = async (
    key: string,
    customer: { name: string; phone: string },
    instrument: { maker: string; model: string; serial: string },
    complaint: string,
  ) => {
    const usual = intake('steel-acoustic', { cameWith: [] });
    const { number, jobId } = value(
      await house.give(house.desk, 'desk.take-in', {
        ...usual,
        customer: { ...customer, email: '' },
        instrument: { ...usual.instrument, ...instrument } as typeof usual.instrument,
        complaint,
      }),
    );
    numbers[key] = number;
    return jobId;
  };
  await take(
    'otter',
    { name: 'Petra Aldous', phone: '555 0101-7' },
    { maker: 'Wendlow', model: 'Otter', serial: 'WO-21008' },
    'The open string rattles in the evening.',
  );
  const closed = await take(
    'heron',
    { name: 'Henrik Tärn', phone: '+49 (30) 998877' },
    { maker: 'Wendlow', model: 'Heron', serial: 'WH-7' },
    'Feels stiff.',
  );
  await take(
    'lantern',
    { name: 'Saskia Dunmore', phone: '' },
    { maker: 'Kestrow', model: 'Lantern', serial: '' },
    'Crackles.',
  );
  await house.db.models.Job.update({ state: 'closed', closedAt: new Date() }, { where: { id: closed } });
});
afterAll(() => house.db.sequelize.close());

const said = async (text: string): Promise<string[]> =>
  (await findAnything(house.db, text)).rows.map((r) => `${r.kind} ${r.title}`);

test('a job by its number, also a closed one', async () => {
  expect(await said(String(numbers['otter']))).toContain(`job ${numbers['otter']}, Wendlow Otter`);
  const { rows } = await findAnything(house.db, String(numbers['heron']));
  expect(rows[0]).toMatchObject({ kind: 'job', ref: numbers['heron'], open: null });
});

test.each([
  ['a serial’s begin', 'wo-210', ['instrument Wendlow Otter']],
  ['a maker', 'kestrow', ['instrument Kestrow Lantern']],
  ['the begin of a model', 'lant', ['instrument Kestrow Lantern']],
  ['a customer, without the mark', 'tarn', ['customer Henrik Tärn']],
  ['a telephone number, as it is written or not', '5550101', ['customer Petra Aldous']],
  ['a telephone number without its country', '030 998877', ['customer Henrik Tärn']],
  ['the end of a telephone number', '1017', ['customer Petra Aldous']],
  ['a piece within a telephone number', '30 99 88', ['customer Henrik Tärn']],
  ['another', '30 9988', ['customer Henrik Tärn']],
  ['customer and model together', 'petra otter', ['instrument Wendlow Otter']],
])('%s', async (_, text, found) => {
  expect(await said(text)).toEqual(found);
});

test('a word of what was said, and of what was found', async () => {
  for (const text of ['rattles', 'in the evening', 'String rattl'])
    expect(await said(text), text).toEqual([`job ${numbers['otter']}, Wendlow Otter`]);
  const job = await house.db.models.Job.findOne({
    where: { number: numbers['lantern'] },
    rejectOnEmpty: true,
  });
  const list = await house.db.models.ChecklistRow.findOne({ rejectOnEmpty: true });
  const inspection = await house.db.models.Inspection.create({
    jobId: job.id,
    checklistId: list.id,
  } as never);
  await house.db.models.InspectionAnswer.create({
    inspectionId: inspection.id,
    item: 'x',
    answer: 'work',
    note: 'a crack beside the soundhole',
    answeredBy: house.technician.personId,
    answeredAt: new Date(),
  } as never);
  expect(await said('soundhole')).toEqual([`job ${numbers['lantern']}, Kestrow Lantern`]);
});

test.each([
  ['one letter other', 'kestrew', 'kestrow'],
  ['one less', 'kstrow', 'kestrow'],
  ['one more', 'kesttrow', 'kestrow'],
  ['two changed', 'ketsrow', 'kestrow'],
])('typed wrong by a letter is found and said: %s', async (_, text, as) => {
  const { rows, read } = await findAnything(house.db, text);
  expect(rows.map((r) => r.title)).toEqual(['Kestrow Lantern']);
  expect(read).toEqual([{ typed: text, as }]);
});

test('one word right and one wrong by a letter', async () => {
  const { rows, read } = await findAnything(house.db, 'petra otterr');
  expect(rows.map((r) => r.title)).toEqual(['Wendlow Otter']);
  expect(read).toEqual([{ typed: 'otterr', as: 'otter' }]);
});

test.each(['', ' ', '%', '_', '*', '"', '+-()~<>@', "'; DROP TABLE jobs; --", 'x'.repeat(500), 'quartz'])(
  '“%s” finds nothing and breaks nothing',
  async (text) => {
    expect(await findAnything(house.db, text)).toEqual({ rows: [], read: [] });
  },
);
