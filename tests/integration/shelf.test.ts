import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import { findAtDesk, loadDesk, readSearch } from '../../src/server/desk/load-desk.ts';
import { findCustomers } from '../../src/server/desk/find.ts';
import { offeredKinds } from '../../src/server/house/kinds.ts';
import { loadJob, type JobView } from '../../src/server/leaves/load-job.ts';
import { loadDuplicates } from '../../src/server/shelf/load-duplicates.ts';
import { loadShelf } from '../../src/server/shelf/load-shelf.ts';
import { intake, staffedHouse, value } from './house.ts';

type House = Awaited<ReturnType<typeof staffedHouse>>;
type TakeIn = ReturnType<typeof intake>;

let house: House;
beforeAll(async () => {
  house = await staffedHouse('shelf');
});
afterAll(() => house.db.sequelize.close());

const look = async (number: number): Promise<JobView> => {
  const found = await loadJob(house.db, number);
  if (!found) throw new Error(`no job ${number}`);
  return found;
};
const bring = async (name: string, phone: string, serial: string, more: Partial<TakeIn> = {}) => {
  const first = intake();
  const instrument = { ...first.instrument, serial } as TakeIn['instrument'];
  const input = { ...first, instrument, customer: { name, phone, email: '' }, ...more };
  return value(await house.give(house.desk, 'desk.take-in', input));
};
const construction = (kind: Parameters<typeof usualConstruction>[0]) => {
  const usual = usualConstruction(kind);
  return { ...usual, strings: [...usual.strings] };
};

describe('two entries that are one', () => {
  test('are found, joined, and taken apart again: everything goes back where it was', async () => {
    const one = await look((await bring('Runa Eskelow', '555 0777', 'RE-1')).number);
    const two = await look((await bring('Eskelow, Runa', '(555) 0777', 'RE-2')).number);
    const { found } = await loadDuplicates(house.db);
    expect(found).toMatchObject([
      {
        entity: 'customer',
        keep: { id: one.customer.id },
        gone: { id: two.customer.id },
        why: 'same telephone, same name',
      },
    ]);
    expect((await look(two.number)).double).toBe('Eskelow, Runa (same telephone, same name)');
    const pair = { entity: 'customer', keepId: one.customer.id, goneId: two.customer.id } as const;
    const { mergeId } = value(await house.give(house.desk, 'shelf.merge', { ...pair, verdict: 'same' }));
    expect((await look(two.number)).customer.id).toBe(one.customer.id);
    expect((await findCustomers(house.db, 'eskelow')).map((c) => [c.id, c.instruments.length])).toEqual([
      [one.customer.id, 2],
    ]);
    expect((await loadDuplicates(house.db)).found).toEqual([]);
    const refused = await house.give(house.desk, 'shelf.merge', { ...pair, verdict: 'same' });
    expect(refused).toMatchObject({ ok: false, error: { code: 'refused' } });
    value(await house.give(house.desk, 'shelf.undo-merge', { mergeId }));
    value(await house.give(house.desk, 'shelf.undo-merge', { mergeId }));
    expect((await look(two.number)).customer.id).toBe(two.customer.id);
    expect((await look(one.number)).customer.id).toBe(one.customer.id);
    expect((await loadDuplicates(house.db)).found).toHaveLength(1);
    value(await house.give(house.desk, 'shelf.merge', { ...pair, verdict: 'apart' }));
    expect((await look(two.number)).double).toBeNull();
    expect((await loadDuplicates(house.db)).found).toEqual([]);
  });

  test('instruments: not while both are in the house; afterwards with all their visits', async () => {
    const one = await look((await bring('Odo Fenn', '555 0888', 'OF-77')).number);
    const two = await look((await bring('Odo Fenn', '555 0888', 'of 77')).number);
    const pair = {
      entity: 'instrument',
      keepId: one.instrument.id,
      goneId: two.instrument.id,
      verdict: 'same',
    } as const;
    expect(await house.give(house.desk, 'shelf.merge', pair)).toMatchObject({
      ok: false,
      error: { message: expect.stringMatching(/Both are in the house/) },
    });
    await house.db.models.Job.update({ state: 'closed', closedAt: new Date() }, { where: { id: two.id } });
    value(await house.give(house.desk, 'shelf.merge', pair));
    const rows = await loadShelf(house.db, 'OF');
    expect(rows.filter((r) => r.serial.toLowerCase().startsWith('of'))).toMatchObject([
      { id: one.instrument.id, visits: 2 },
    ]);
  });
});

describe('what an instrument is', () => {
  const change = (job: JobView, more: object) =>
    house.give(house.desk, 'shelf.change-instrument', {
      instrumentId: job.instrument.id,
      version: job.instrument.version,
      maker: job.instrument.maker,
      model: job.instrument.model,
      serial: job.instrument.serial,
      year: job.instrument.year,
      yearFrom: '',
      kind: job.instrument.kind,
      construction: construction('steel-acoustic'),
      ...more,
    });

  test('decides at once what is asked and read; a second change hears of the first', async () => {
    const job = await look((await bring('Ada Quell', '555 0999', 'AQ-1')).number);
    expect(job.inspection.items.map((i) => i.key)).not.toContain('vibrato-float');
    const before = job.readings.stations.length;
    const electric = { ...construction('bass'), vibrato: 'floating' as const };
    value(
      await change(job, {
        year: '1971',
        yearFrom: 'pencilled on the neck heel',
        kind: 'bass',
        construction: electric,
      }),
    );
    const now = await look(job.number);
    expect(now.instrument).toMatchObject({
      year: '1971',
      yearFrom: 'pencilled on the neck heel',
      kindName: 'Bass',
    });
    expect(now.readings.stations.length).toBeLessThan(before);
    expect(now.inspection.items.some((i) => /vibrato/i.test(i.title))).toBe(true);
    expect(await change(job, {})).toMatchObject({ ok: false, error: { code: 'conflict' } });
  });

  test('a kind of the shop’s own is offered, goes by the rules of its like, and is called by its name', async () => {
    const four = { ...construction('steel-acoustic'), scale: 585, strings: construction('bass').strings };
    const { id } = value(
      await house.give(house.lead, 'house.save-kind', {
        id: '',
        version: 0,
        name: 'Tenor four-string',
        construction: four,
      }),
    );
    expect(id).toBe('own-tenor-four-string');
    expect((await offeredKinds(house.db)).at(-1)).toMatchObject({ id, own: true, usual: { scale: 585 } });
    const instrument = { maker: '', model: 'Reed', year: '', serial: 'T-4', kind: id, construction: four };
    const { number } = await bring('Ivo Tarn', '555 0666', 'T-4', { instrument });
    const job = await look(number);
    expect(job.instrument).toMatchObject({ kind: id, kindName: 'Tenor four-string' });
    expect(job.readings.stations.filter((s) => s.quantity === 'nut-gap')).toHaveLength(4);
  });

  test.each([
    ['a shipped kind’s', { id: '', name: 'bass' }, 'There is a kind of this name.'],
    ['its own of before', { id: '', name: 'TENOR four-string' }, 'There is a kind of this name.'],
  ])('a name that is taken is refused: %s', async (_, more, message) => {
    const input = { version: 0, construction: construction('bass'), ...more };
    expect(await house.give(house.lead, 'house.save-kind', input)).toMatchObject({
      ok: false,
      error: { fields: { name: message } },
    });
  });

  test('a kind nobody knows is refused, at the counter and later', async () => {
    const instrument = { ...intake().instrument, kind: 'own-nothing', serial: 'N-1' } as TakeIn['instrument'];
    expect(await house.give(house.desk, 'desk.take-in', { ...intake(), instrument })).toMatchObject({
      ok: false,
      error: { message: 'The shop knows no such kind.' },
    });
  });

  test('kinds are a lead’s business', async () => {
    const input = { id: '', version: 0, name: 'X', construction: construction('bass') };
    expect(await house.give(house.technician, 'house.save-kind', input)).toMatchObject({
      error: { code: 'not-allowed' },
    });
  });
});

describe('the desk', () => {
  test.each([
    ['https://shop.example/job/412', '412'],
    ['http://127.0.0.1:4370/job/412/arrival', '412'],
    [' WO-1 ', 'WO-1'],
    ['/job/x', '/job/x'],
  ])('reads %s as %s', (text, means) => {
    expect(readSearch(text)).toBe(means);
  });

  test('finds by number, serial and telephone; what is meant without doubt is said', async () => {
    const { number } = await bring('Lys Marrin', '555 0444', 'LM-900');
    expect(await findAtDesk(house.db, `x/job/${number}`)).toMatchObject({ sure: number, here: [{ number }] });
    expect(await findAtDesk(house.db, 'lm-900')).toMatchObject({ sure: number });
    expect(await findAtDesk(house.db, 'LM-9')).toMatchObject({ sure: null, here: [{ number }] });
    expect((await findAtDesk(house.db, '5550444')).customers.map((c) => c.name)).toEqual(['Lys Marrin']);
    expect(await findAtDesk(house.db, 'x')).toEqual({ here: [], customers: [], sure: null });
  });

  test('the day: what was promised for it, and what came in on it', async () => {
    const now = new Date();
    const today = now.toISOString().slice(0, 10);
    const { number } = await bring('Ben Orrel', '555 0333', 'BO-1', { neededBy: today });
    const later = await bring('Bea Orrel', '555 0332', 'BO-2', { neededBy: '2199-01-01' });
    const day = await loadDesk(house.db, now);
    const numbers = (tags: typeof day.words) => tags.map((t) => t.number);
    expect(numbers(day.goingHome)).toContain(number);
    expect(numbers(day.goingHome)).not.toContain(later.number);
    expect(numbers(day.cameToday)).toEqual(expect.arrayContaining([number, later.number]));
    const tomorrow = await loadDesk(house.db, new Date(now.getTime() + 86_400_000));
    expect(tomorrow.cameToday).toEqual([]);
  });
});
