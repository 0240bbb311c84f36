import { loadJob, type JobView } from '../../src/server/leaves/load-job.ts';
import { intake, staffedHouse, value, unsaid } from './house.ts';

type House = Awaited<ReturnType<typeof staffedHouse>>;

let house: House;
let number: number;
beforeAll(async () => {
  house = await staffedHouse('custody');
  const cameWith = [
    { name: 'hard case, one latch loose', state: '' },
    { name: 'rod key', state: '' },
  ];
  ({ number } = value(await house.give(house.desk, 'desk.take-in', intake('steel-acoustic', { cameWith }))));
});
afterAll(() => house.db.sequelize.close());

const look = async (): Promise<JobView> => {
  const found = await loadJob(house.db, number);
  if (!found) throw new Error(`no job ${number}`);
  return found;
};

const initials = [
  [
    { x: 1, y: 2 },
    { x: 30, y: 20 },
  ],
];

const noteDamage = async (note: string) => {
  const job = await look();
  const version = job.inspection.items.find((i) => i.key === 'damage')?.version ?? 0;
  value(
    await house.give(house.technician, 'inspection.answer', {
      jobId: job.id,
      item: 'damage',
      answer: 'watch',
      note,
      version,
    }),
  );
};

describe('the receipt', () => {
  test('shows what was left before anybody initials it', async () => {
    const { receipt } = await look();
    expect(receipt.given).toBeNull();
    expect(receipt.seen).toEqual({
      things: [
        { name: 'hard case, one latch loose', state: '' },
        { name: 'rod key', state: '' },
      ],
      damage: '',
      strings: 'all strings on, at pitch',
    });
  });

  test('needs a name', async () => {
    const job = await look();
    expect(
      await house.give(house.desk, 'desk.receipt', { jobId: job.id, name: ' ', initials }),
    ).toMatchObject({
      ok: false,
      error: { code: 'invalid', fields: { name: 'Who has seen it?' } },
    });
  });

  test('keeps the initials and what stood there', async () => {
    const job = await look();
    value(await house.give(house.desk, 'desk.receipt', { jobId: job.id, name: 'Runa Eskelow', initials }));
    expect((await look()).receipt.given).toMatchObject({
      name: 'Runa Eskelow',
      initials: JSON.stringify(initials),
      since: [],
    });
  });

  test('damage noted afterwards asks for it to be seen again; strings that come off do not', async () => {
    const job = await look();
    value(await house.give(house.technician, 'strings.off', { jobId: job.id, reason: 'to clean the board' }));
    expect((await look()).receipt.given?.since).toEqual([]);
    await noteDamage('ding at the lower bout, treble side');
    const { receipt } = await look();
    expect(receipt.given?.since).toHaveLength(1);
    expect(receipt.seen.damage).toBe('ding at the lower bout, treble side');
    value(
      await house.give(house.desk, 'desk.receipt', { jobId: job.id, name: 'Runa Eskelow', initials: null }),
    );
    expect((await look()).receipt.given).toMatchObject({ initials: null, since: [] });
  });

  test('each time is an event of the job', async () => {
    const job = await look();
    const events = await house.db.models.EventRow.findAll({
      where: { jobId: job.id, kind: 'receipt initialled' },
    });
    expect(events).toHaveLength(2);
  });
});

describe('closing', () => {
  const sign = async () => {
    const job = await look();
    return house.give(house.desk, 'hand-over.sign', {
      jobId: job.id,
      version: job.handOver.version,
      signer: 'Runa Eskelow',
      signature: initials,
    });
  };

  test('names each thing that is not given back, and the strings', async () => {
    const refused = await sign();
    expect(refused).toMatchObject({ ok: false, error: { code: 'refused' } });
    const message = refused.ok ? '' : refused.error.message;
    expect(message).toContain('rod key is not given back');
    expect(message).toContain('hard case, one latch loose is not given back');
    expect(message).toContain('the strings are off and that is not explained');
  });

  test('a thing whose absence is explained is named no more', async () => {
    const job = await look();
    const key = job.items.find((i) => i.name === 'rod key');
    value(
      await house.give(house.desk, 'hand-over.return', {
        itemId: key?.id ?? 0,
        version: key?.version ?? 0,
        returned: false,
        absence: 'the customer took it along',
      }),
    );
    const refused = await sign();
    expect(refused.ok ? '' : refused.error.message).not.toContain('rod key');
    expect(refused.ok ? '' : refused.error.message).toContain('latch');
  });
});

test('every change of it reads as a sentence', async () => {
  expect(await unsaid(house.db)).toEqual([]);
});
