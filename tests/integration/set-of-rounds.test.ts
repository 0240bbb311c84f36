import type { RoundKind } from '../../src/core/readings/rounds.ts';
import { loadHistory } from '../../src/server/jobs/load-history.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('set_of_rounds');
});
afterAll(() => house.db.sequelize.close());

test('what is read in another tuning is kept and not used, until it is read in its own', async () => {
  const { jobId, number } = await house.jobWith([]);
  const conditions = (tuning: string, version: number) =>
    house.order(house.technician, 'readings.conditions', {
      jobId,
      round: 'as-found',
      version,
      strings: 'at-pitch',
      position: 'playing',
      tuning,
      temperature: null,
      humidity: null,
    });
  const read = (version: number) =>
    house.order(house.technician, 'readings.save', {
      jobId,
      round: 'as-found',
      quantity: 'action',
      string: 6,
      fret: 12,
      typed: '2.2',
      unit: 'mm',
      version,
    });
  const why = async () => (await house.view(number)).readings.readings[0]?.notRepresentative;
  const { version } = await conditions('D A D G A D', 0);
  await read(0);
  expect(await why()).toBe('taken in another tuning, D A D G A D');
  expect((await house.view(number)).proposal.missing).toContain('action:6:12');
  await conditions('EADGBE', version);
  await read(1);
  expect(await why()).toBeNull();
});

test('which set a round is read with, and how old, is said; new strings go on with the next; old ones are asked about', async () => {
  const { jobId, number } = await house.jobWith([]);
  const read = (round: RoundKind, quantity: 'intonation' | 'action', string: number, typed: string) =>
    house.order(house.technician, 'readings.save', {
      jobId,
      round,
      quantity,
      string,
      fret: 12,
      typed,
      unit: 'mm',
      version: 0,
    });
  for (const string of [6, 1]) await read('as-found', 'action', string, string === 6 ? '2.2' : '1.7');
  await read('as-found', 'intonation', 6, '+9');
  const asked = async () =>
    (await house.view(number)).proposal.questions.filter((q) => /old strings/.test(q));
  expect(await asked()).toEqual([]);
  await house.order(house.technician, 'readings.conditions', {
    jobId,
    round: 'as-found',
    version: 0,
    strings: 'at-pitch',
    position: 'on-its-back',
    tuning: 'E A D G B E',
    setOn: '.012–.053',
    setAge: 'old',
    temperature: null,
    humidity: null,
  });
  expect(await asked()).toHaveLength(1);
  const said = (await loadHistory(house.db, number))?.entries.at(-1)?.says;
  expect(said).toContain('how it lies: on its back instead of playing position');
  expect(said).toContain('how old its strings are: old instead of nothing');
  const { strings } = (await house.view(number)).instrument.construction;
  await house.order(house.technician, 'strings.on', {
    jobId,
    setName: 'light bronze',
    fresh: true,
    strings: [...strings],
  });
  await read('after-work', 'intonation', 6, '+4');
  expect(await asked()).toEqual([]);
  const rounds = (await house.view(number)).readings.rounds.map((r) => [r.kind, r.setOn, r.setAge]);
  expect(rounds).toContainEqual(['as-found', '.012–.053', 'old']);
  expect(rounds).toContainEqual(['after-work', 'light bronze', 'new']);
});
