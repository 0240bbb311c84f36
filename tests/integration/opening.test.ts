import sharp from 'sharp';
import { NO_HOURS, type WeekHours } from '../../src/core/days/opening.ts';
import { keepLogo, loadLogo } from '../../src/server/photos/logo.ts';
import { loadOpening } from '../../src/server/house/opening.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { loadPeople } from '../../src/server/people/load-people.ts';
import { loadHead } from '../../src/server/printing/load-head.ts';
import { receiptPaper } from '../../src/server/printing/receipt-paper.ts';
import { intake, unsaid, value } from './house.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('opening');
});
afterAll(() => house.db.sequelize.close());

const DAY = [{ from: 9 * 60, to: 18 * 60 }];
const WEEKDAYS: WeekHours = {
  ...NO_HOURS,
  monday: DAY,
  tuesday: DAY,
  wednesday: DAY,
  thursday: DAY,
  friday: DAY,
};

test('hours and closed days are kept by version, by who leads, in the order they come', async () => {
  expect(await loadOpening(house.db)).toEqual({ opening: { hours: null, closed: [] }, version: 0 });
  const later = { from: '2026-12-24', to: '2027-01-02', why: 'the turn of the year' };
  const sooner = { from: '2026-12-01', to: '2026-12-01', why: '' };
  const save = (version: number, more: object = {}, who = house.lead) =>
    house.give(who, 'house.save-opening', {
      version,
      opening: { hours: WEEKDAYS, closed: [later, sooner], ...more },
    });
  expect(await save(0, {}, house.technician)).toMatchObject({ error: { code: 'not-allowed' } });
  expect(await save(0, { closed: [{ from: '2026-12-02', to: '2026-12-01', why: '' }] })).toMatchObject({
    error: { code: 'invalid' },
  });
  expect(await save(0, { hours: { ...WEEKDAYS, monday: [...DAY, { from: 600, to: 700 }] } })).toMatchObject({
    error: { code: 'invalid' },
  });
  value(await save(0));
  expect(await save(0)).toMatchObject({ error: { code: 'conflict' } });
  expect((await loadOpening(house.db)).opening).toEqual({ hours: WEEKDAYS, closed: [sooner, later] });
});

test('the next check that is offered is on an open day', async () => {
  const { number } = await house.jobWith(['rod']);
  const day = (await house.view(number)).sheet.content.nextCheck ?? '';
  expect([1, 2, 3, 4, 5]).toContain(new Date(`${day}T00:00:00Z`).getUTCDay());
});

test('somebody has hours of their own, or the shop’s; what says nothing of them leaves them', async () => {
  const facts = { initials: 'JA', role: 'technician', skill: 'setup', name: 'Juno Amsel' } as const;
  const save = (id: number | null, version: number, more: object) =>
    house.give(house.lead, 'people.save', {
      ...facts,
      id,
      version,
      pin: id === null ? '7302' : null,
      ...more,
    });
  const hours = { ...NO_HOURS, tuesday: DAY };
  const { id, version } = value(await save(null, 0, { hours }));
  const them = async () => (await loadPeople(house.db)).find((p) => p.id === id);
  expect((await them())?.hours).toEqual(hours);
  const kept = value(await save(id, version, { name: 'Juno Amsel-Reed' }));
  expect(await them()).toMatchObject({ name: 'Juno Amsel-Reed', hours });
  value(await save(id, kept.version, { hours: null }));
  expect((await them())?.hours).toBeNull();
});

describe('the logo', () => {
  const picture = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 4, background: { r: 20, g: 40, b: 90, alpha: 0.5 } } })
      .withExifMerge({ IFD0: { Copyright: 'somebody' } })
      .png()
      .toBuffer();
  const keep = (bytes: Uint8Array) => keepLogo(house.db, house.lead, bytes, new Date());

  test('is made anew, smaller, without what else was in the file; and taken away again', async () => {
    expect(await keep(await picture(3000, 900))).toEqual({ ok: true, value: null });
    const logo = await loadLogo(house.db);
    const made = await sharp(logo?.bytes).metadata();
    expect(made).toMatchObject({ format: 'png', width: 900, height: 270 });
    expect(made.exif).toBeUndefined();
    const { number } = value(await house.give(house.desk, 'desk.take-in', intake()));
    const job = await loadJob(house.db, number);
    if (!job) throw new Error('no job');
    const [plain, headed] = await Promise.all([
      receiptPaper(job, 'A4'),
      receiptPaper(job, 'A4', await loadHead(house.db)),
    ]);
    expect(headed.length).toBeGreaterThan(plain.length + 500);
    expect(await keep(new Uint8Array())).toEqual({ ok: true, value: null });
    expect(await loadLogo(house.db)).toBeNull();
    expect((await loadHead(house.db)).logo).toBeNull();
  });

  test.each([
    ['a page', '<html><script>x</script></html>'],
    ['a drawing with code', '<svg xmlns="http://www.w3.org/2000/svg"/>'],
    ['half a picture', '\x89PNG\r\n\x1a\n and no more'],
  ])('is not made of %s', async (_what, text) => {
    expect(await keep(Buffer.from(text, 'latin1'))).toMatchObject({ ok: false });
    expect(await loadLogo(house.db)).toBeNull();
  });
});

test('every change of it reads as a sentence', async () => {
  expect(await unsaid(house.db)).toEqual([]);
});
