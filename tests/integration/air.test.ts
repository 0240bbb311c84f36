import { airOfHouse, airWeeks, loggedAir } from '../../src/server/air/house-air.ts';
import { loadAir } from '../../src/server/air/load-air.ts';
import { isSeason } from '../../src/core/learn/season.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('air');
});
afterAll(() => house.db.sequelize.close());

const HOUR = 3_600_000;
const NOW = Math.floor(Date.now() / HOUR);
const hours = (from: number, count: number, humidity = (h: number) => 44 + (h % 3)) =>
  Array.from({ length: count }, (_, i): [number, number, number | null] => [
    from + i,
    humidity(from + i),
    20.5,
  ]);

test('what a logger wrote down comes in once; an hour that is known stays; taken out, all of it goes', async () => {
  const { order, give, owner, technician, db } = house;
  const file = { name: 'bench.csv', hours: hours(NOW - 100, 60) };
  expect(await give(technician, 'house.bring-air', file)).toMatchObject({ error: { code: 'not-allowed' } });
  expect(await order(owner, 'house.bring-air', file)).toEqual({ added: 60, known: 0 });
  expect(await order(owner, 'house.bring-air', file)).toEqual({ added: 0, known: 60 });
  const later = { name: 'later.csv', hours: hours(NOW - 60, 60, () => 70) };
  expect(await order(owner, 'house.bring-air', later)).toEqual({ added: 40, known: 20 });
  expect(
    Number((await db.models.AirHour.findOne({ where: { at: new Date((NOW - 60) * HOUR) } }))?.humidity),
  ).toBeLessThan(50);
  const { logs } = await loadAir(db);
  expect(logs.map((l) => [l.name, l.hours, l.by])).toEqual([
    ['later.csv', 40, owner.name],
    ['bench.csv', 60, owner.name],
  ]);
  await order(owner, 'house.take-back-air', { logId: logs[1]?.id ?? 0 });
  expect(await db.models.AirHour.count()).toBe(40);
  expect(await give(owner, 'house.take-back-air', { logId: logs[1]?.id ?? 0 })).toMatchObject({
    error: { code: 'not-found' },
  });
});

test('what speaks of days to come is a wrong date and changes nothing', async () => {
  const { give, owner, db } = house;
  const before = await db.models.AirHour.count();
  const ahead = { name: 'ahead.csv', hours: hours(NOW + 20, 40) };
  expect(await give(owner, 'house.bring-air', ahead)).toMatchObject({ error: { code: 'invalid' } });
  expect(await db.models.AirHour.count()).toBe(before);
});

test('a round begins with the air of its own hours: of the round before it that day, of the logger, or of nobody', async () => {
  const { order, technician, jobWith, view, db } = house;
  const { jobId, number } = await jobWith([]);
  const at = (h: number) => () => new Date(h * HOUR + 60_000);
  const read = async (round: 'as-found' | 'after-work' | 'as-left', h: number) => {
    await order(
      technician,
      'readings.save',
      { jobId, round, quantity: 'relief', string: 0, fret: 7, typed: '.010', unit: 'thou', version: 0 },
      at(h),
    );
    return (await view(number)).readings.rounds.find((r) => r.kind === round);
  };
  expect((await loggedAir(db.models, at(NOW - 30)()))?.humidity).toBe('70.0');
  expect(await read('as-found', NOW - 30)).toMatchObject({ humidity: 70, temperature: 20.5 });
  // A day later it is not the air of that reading any more; of the logger's last hours it is.
  expect(await read('after-work', NOW - 29)).toMatchObject({ humidity: 70 });
  // Weeks later nobody knows the air, whatever it was then.
  expect(await read('as-left', NOW + 500)).toMatchObject({ humidity: null, temperature: null });
});

test('a year that was logged tells the season of the house', async () => {
  const { order, owner, db } = house;
  const damp = (h: number) => Math.round((45 + 12 * Math.cos((2 * Math.PI * h) / (365.2425 * 24))) * 10) / 10;
  await order(owner, 'house.bring-air', { name: 'year.csv', hours: hours(NOW - 9700, 9000, damp) });
  const weeks = await airWeeks(db);
  expect(weeks.length).toBeGreaterThan(52);
  const season = await airOfHouse(db, weeks);
  expect(isSeason(season)).toBe(true);
  expect(season && Math.hypot(season.cos, season.sin)).toBeCloseTo(12, 0);
});
