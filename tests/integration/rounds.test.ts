import { readReadingsCsv, toReadingsCsv } from '../../src/contracts/formats/readings.ts';
import { habitsSchema } from '../../src/contracts/habits.ts';
import { USUAL_METHODS } from '../../src/core/readings/methods.ts';
import type { RoundKind } from '../../src/core/readings/rounds.ts';
import { allStations } from '../../src/core/readings/stations.ts';
import { SHIPPED_TARGETS } from '../../src/core/targets/shop-targets.ts';
import { soundOf } from '../../src/core/ear/play-for-tests.ts';
import { pluckSound, wavOf } from '../../src/core/sound/pluck-for-tests.ts';
import { smallSound } from '../../src/core/sound/small-sound.ts';
import { readWav, writeWav } from '../../src/core/sound/wav.ts';
import { loadGauges } from '../../src/server/house/load-gauges.ts';
import { loadHabits } from '../../src/server/house/load-habits.ts';
import { loadTargets } from '../../src/server/house/load-targets.ts';
import { loadJob, type JobView } from '../../src/server/leaves/load-job.ts';
import { keepPeriods } from '../../src/server/privacy/keep-periods.ts';
import { loadPeriods } from '../../src/server/privacy/save-periods.ts';
import { loadRounds } from '../../src/server/shelf/load-rounds.ts';
import { intake, staffedHouse, value, unsaid } from './house.ts';

let house: Awaited<ReturnType<typeof staffedHouse>>;
let number: number;
let jobId: number;
beforeAll(async () => {
  house = await staffedHouse('rounds');
  ({ number, jobId } = value(await house.give(house.desk, 'desk.take-in', intake('steel-acoustic', {}))));
});
afterAll(() => house.db.sequelize.close());

const look = async (): Promise<JobView> => {
  const found = await loadJob(house.db, number);
  if (!found) throw new Error(`no job ${number}`);
  return found;
};

const read = async (
  key: string,
  round: RoundKind,
  typed: string,
  more: { gaugeId?: number; heard?: number; sound?: string } = {},
) => {
  const now = await look();
  const s = allStations(now.instrument.construction).find((x) => x.key === key);
  if (!s) throw new Error(key);
  const { quantity, string, fret } = s;
  const version = now.readings.readings.find((r) => r.round === round && r.key === key)?.version ?? 0;
  const input = { jobId, round, quantity, string, fret, typed, unit: 'mm', version, ...more } as const;
  return value(await house.give(house.technician, 'readings.save', input));
};

const reading = async (key: string, round: RoundKind) =>
  (await look()).readings.readings.find((r) => r.round === round && r.key === key);

describe('the ear', () => {
  test('what it may be off goes with the reading beside the spread of its plucks; it hears pitch alone', async () => {
    await read('intonation:6:12', 'as-found', '+3.00; +3.40', { heard: 0.3 });
    const heard = await reading('intonation:6:12', 'as-found');
    expect(heard).toMatchObject({ gauge: 'ear', value: 3.2, method: 'fretted 12th against the open string' });
    // Half of what two plucks lie apart is how well their mean is known.
    expect(heard?.uncertainty).toBeCloseTo(Math.hypot(0.3, 0.2), 6);
    const input = { jobId, round: 'as-found', quantity: 'relief', string: 0, fret: 7, typed: '.2' } as const;
    const refused = await house.give(house.technician, 'readings.save', {
      ...input,
      unit: 'mm',
      version: 0,
      heard: 0.3,
    });
    expect(refused).toMatchObject({
      ok: false,
      error: { fields: { heard: 'Only a pitch is read by ear.' } },
    });
  });
});

test('a pluck is kept with its reading, written anew, and let go when it is read otherwise', async () => {
  const pluck = pluckSound({ f0: 110 }, 1, 44_100);
  const file = Buffer.from(wavOf(pluck, { kind: 'float', bits: 32, channels: 2 })).toString('base64');
  await read('intonation:5:12', 'as-found', '+1.00; +1.20', { heard: 0.2, sound: 'UklGRg==' }).then(
    () => expect.unreachable(),
    () => undefined,
  );
  const small = Buffer.from(writeWav(smallSound(pluck))).toString('base64');
  expect(file.length).toBeGreaterThan(200_000);
  await read('intonation:5:12', 'as-found', '+1.00; +1.20', { heard: 0.2, sound: small });
  const heard = await reading('intonation:5:12', 'as-found');
  const kept = await house.db.models.KeptSound.findByPk(heard?.sound ?? 0);
  const again = readWav(new Uint8Array(kept?.bytes ?? []));
  expect(again.ok && again.value.samples.length / again.value.rate).toBeCloseTo(1, 2);
  expect(kept?.bytes.length).toBeLessThan(60_000);
  expect(heard?.buzz).toBeLessThan(0.3);
  const rattle = soundOf([{ hz: 110, buzzes: true }]);
  const rattling = Buffer.from(writeWav(smallSound(rattle))).toString('base64');
  await read('intonation:5:12', 'as-found', '+1.00; +1.20', { heard: 0.2, sound: rattling });
  const buzzing = await reading('intonation:5:12', 'as-found');
  expect(buzzing?.buzz).toBeGreaterThan(0.7);
  await read('intonation:5:12', 'as-found', '+2');
  expect(await reading('intonation:5:12', 'as-found')).toMatchObject({ sound: null, buzz: null });
  for (const gone of [heard, buzzing])
    expect(await house.db.models.KeptSound.findByPk(gone?.sound ?? 0)).toBeNull();
});

test('a kept pluck goes when its period is over, never while the job is open; its reading stays', async () => {
  const small = Buffer.from(writeWav(smallSound(pluckSound({ f0: 147 }, 1, 44_100)))).toString('base64');
  await read('intonation:4:12', 'as-found', '+1.00; +1.20', { heard: 0.2, sound: small });
  const before = await reading('intonation:4:12', 'as-found');
  const { periods, version } = await loadPeriods(house.db);
  const later = new Date(Date.now() + 3 * 366 * 86_400_000);
  expect((await keepPeriods(house.db, later)).sounds).toBe(0);
  value(
    await house.give(house.lead, 'house.save-periods', { version, periods: { ...periods, soundsYears: 2 } }),
  );
  expect((await keepPeriods(house.db, later)).sounds).toBe(0);
  await house.db.models.Job.update({ state: 'closed', closedAt: new Date() }, { where: { id: jobId } });
  expect((await keepPeriods(house.db, new Date())).sounds).toBe(0);
  expect((await keepPeriods(house.db, later)).sounds).toBe(1);
  await house.db.models.Job.update({ state: 'open', closedAt: null }, { where: { id: jobId } });
  expect(await house.db.models.KeptSound.findByPk(before?.sound ?? 0)).toBeNull();
  expect(await reading('intonation:4:12', 'as-found')).toEqual({ ...before, sound: null });
});

describe('gauges', () => {
  test('a gauge’s zero is taken off, and what it can tell goes with the reading', async () => {
    const { gaugeId } = value(
      await house.give(house.owner, 'house.save-gauge', {
        id: 0,
        version: 0,
        name: 'Caliper',
        quantities: ['saddle-standout'],
        unit: 'mm',
        resolution: 0.05,
        zeroOffset: 0,
        checkEveryDays: 100,
        retired: false,
      }),
    );
    await read('saddle-standout:0:0', 'as-found', '3.10', { gaugeId });
    expect(await reading('saddle-standout:0:0', 'as-found')).toMatchObject({
      gauge: 'Caliper',
      value: 3.1,
      uncertainty: expect.closeTo((2 * 0.05) / Math.sqrt(12), 8) as number,
    });
    value(
      await house.give(house.technician, 'house.check-gauge', {
        gaugeId,
        version: 0,
        reference: 1,
        shows: 1.04,
      }),
    );
    await read('saddle-standout:0:0', 'as-found', '3.10', { gaugeId });
    const after = await reading('saddle-standout:0:0', 'as-found');
    expect(after?.value).toBeCloseTo(3.06, 9);
    expect(after?.typed).toBe('3.10');
    expect(after?.uncertainty).toBeCloseTo(0.05 / Math.sqrt(12), 8);
    expect((await loadGauges(house.db))[0]?.checkedAt).not.toBeNull();
  });

  test('two of one name are refused, an overtaken change says so, a technician only checks', async () => {
    const [gauge] = await loadGauges(house.db);
    const { checkedAt: _c, quantities, ...kept } = gauge ?? fail('no gauge');
    const save = (more: object) =>
      house.give(house.owner, 'house.save-gauge', { ...kept, quantities: [...quantities], ...more });
    expect(await save({ id: 0 })).toMatchObject({
      ok: false,
      error: { fields: { name: expect.any(String) as string } },
    });
    expect(await save({ version: 0 })).toMatchObject({ ok: false, error: { code: 'conflict' } });
    expect(
      await house.give(house.technician, 'house.save-gauge', { ...kept, quantities: [...quantities] }),
    ).toMatchObject({ ok: false, error: { code: 'not-allowed' } });
  });
});

describe('rounds after each operation', () => {
  test('what is read after a finished step stands in its own round, called after it', async () => {
    await read('relief:0:7', 'as-found', '.014 in');
    await read('action:6:12', 'as-found', '3.0 mm');
    for (const step of [1, 2]) {
      const { lineId } = value(
        await house.give(house.technician, 'plan.add', { jobId, operation: 'rod', detail: '' }),
      );
      value(
        await house.give(house.desk, 'work.answer', {
          lineId,
          version: 0,
          answer: 'yes',
          by: 'Petra',
          how: 'at the counter',
        }),
      );
      let version = 1;
      for (const action of ['start', 'finish'] as const)
        ({ version } = value(
          await house.give(house.technician, 'work.step', {
            lineId,
            version,
            action,
            without: 'it has rested',
          }),
        ));
      const offered = (await look()).readings.rounds.filter((r) => r.kind.startsWith('after-work'));
      const kind = step === 1 ? 'after-work' : 'after-work-2';
      expect(offered.at(-1)).toMatchObject({ kind, begun: false, name: 'After: Adjust the truss rod' });
      await read('relief:0:7', kind, `.0${12 - step} in`);
    }
    const { rounds } = (await look()).readings;
    expect(rounds.filter((r) => r.begun).map((r) => [r.kind, r.name])).toEqual([
      ['as-found', 'As found'],
      ['after-work', 'After: Adjust the truss rod'],
      ['after-work-2', 'After: Adjust the truss rod'],
    ]);
  });

  test('what still holds is carried forward, what is stale is not', async () => {
    const { copied } = value(
      await house.give(house.technician, 'readings.copy-forward', { jobId, round: 'as-left' }),
    );
    expect(copied).toBe(2);
    expect(await reading('relief:0:7', 'as-left')).toMatchObject({ copiedFrom: 'after-work-2', stale: null });
    expect(await reading('saddle-standout:0:0', 'as-left')).toMatchObject({ copiedFrom: 'as-found' });
    expect(await reading('action:6:12', 'as-left')).toBeUndefined();
    expect(
      await house.give(house.technician, 'readings.copy-forward', { jobId, round: 'as-left' }),
    ).toMatchObject({ ok: false, error: { code: 'refused' } });
  });

  test('any visit’s rounds can be laid beside each other', async () => {
    const { instrument } = await look();
    const all = await loadRounds(house.db, instrument.id);
    expect(all?.rounds.map((r) => r.kind)).toEqual(['as-found', 'after-work', 'after-work-2', 'as-left']);
    expect(all?.rounds[0]?.readings.find((r) => r.key === 'action:6:12')?.value).toBe(3);
    expect(await loadRounds(house.db, 999_999)).toBeNull();
  });
});

describe('methods', () => {
  test('are kept with the round; what is read another way is converted and says so', async () => {
    const { readings } = await look();
    const round = readings.rounds.find((r) => r.kind === 'as-left');
    value(
      await house.give(house.technician, 'readings.conditions', {
        jobId,
        round: 'as-left',
        version: round?.version ?? 0,
        strings: 'at-pitch',
        position: 'playing',
        tuning: 'E A D G B E',
        temperature: 21,
        humidity: 45,
        pitch: 442,
        methods: { ...USUAL_METHODS, action: 'at-last', 'nut-gap': 'on-3' },
        gauges: { 'nut-gap': (await loadGauges(house.db))[0]?.id ?? 0 },
      }),
    );
    await read('nut-gap:6:1', 'as-left', '.05 mm');
    await read('action:6:20', 'as-left', '2.6 mm');
    const gap = await reading('nut-gap:6:1', 'as-left');
    expect(gap).toMatchObject({
      gauge: 'Caliper',
      method: 'held right on fret 3',
      converted: 'held right on fret 3',
    });
    // The caliper chosen for this round shows 0.04 mm too much.
    expect(gap?.value).toBeCloseTo(0.01, 9);
    expect(gap?.standard).toBeLessThan(0.01);
    const at12 = await reading('action:6:12', 'as-left');
    expect(at12).toMatchObject({ converted: 'read over fret 20' });
    expect(at12?.standard).toBeLessThan(2.6);
    expect((await look()).readings.rounds.find((r) => r.kind === 'as-left')).toMatchObject({ pitch: 442 });
  });

  test('the shop’s own way is a setting, kept once', async () => {
    const habits = habitsSchema.parse({
      methods: { ...USUAL_METHODS, action: 'at-17' },
      firstString: 'highest',
    });
    value(await house.give(house.lead, 'house.save-habits', { version: 0, habits }));
    expect(await house.give(house.lead, 'house.save-habits', { version: 0, habits })).toMatchObject({
      ok: false,
      error: { code: 'conflict' },
    });
    expect((await loadHabits(house.db)).habits.methods.action).toBe('at-17');
    const stations = (await look()).readings.stations.filter((s) => s.quantity === 'nut-gap');
    expect(stations.map((s) => s.string)).toEqual([1, 2, 3, 4, 5, 6]);
  });
});

describe('targets', () => {
  test('what is said at the counter about the action waits for its reading', async () => {
    const taken = value(
      await house.give(
        house.desk,
        'desk.take-in',
        intake('bass', { actionWish: 'much-lower', customer: { name: 'Noor', phone: '', email: '' } }),
      ),
    );
    const action = async () => {
      const found = await loadJob(house.db, taken.number);
      return found?.readings.stations.find((s) => s.key === 'action:1:12')?.target;
    };
    expect(await action()).toMatchObject({ layer: 'kind' });
    const input = { jobId: taken.jobId, round: 'as-found', quantity: 'action', string: 1, fret: 12 } as const;
    value(
      await house.give(house.technician, 'readings.save', {
        ...input,
        typed: '3 mm',
        unit: 'mm',
        version: 0,
      }),
    );
    // Half a millimetre less is still far above the trade's band: the wish comes to the band.
    expect(await action()).toMatchObject({ layer: 'customer', aim: 1.8 });
  });

  test('a wish against what is there follows the reading; the job’s own number stands over it', async () => {
    const wish = {
      jobId,
      quantity: 'action',
      side: 'bass',
      low: 2,
      aim: 2.2,
      high: 2.5,
      version: 0,
    } as const;
    value(
      await house.give(house.lead, 'plan.target', {
        ...wish,
        layer: 'customer',
        relative: 'little-lower',
        reason: 'said at the counter',
      }),
    );
    const target = async () => (await look()).readings.stations.find((s) => s.key === 'action:6:12')?.target;
    expect(await target()).toMatchObject({ layer: 'customer', aim: 2.2 });
    value(await house.give(house.lead, 'plan.target', { ...wish, aim: 2.4, reason: '' }));
    expect(await target()).toMatchObject({ layer: 'job', aim: 2.4 });
  });

  test('the shop’s targets are kept in versions and reach every job', async () => {
    const steel = SHIPPED_TARGETS.kinds['steel-acoustic'] ?? fail('no kind');
    const targets = {
      ...SHIPPED_TARGETS,
      kinds: {
        ...SHIPPED_TARGETS.kinds,
        'steel-acoustic': { ...steel, relief: { low: 0.3, aim: 0.35, high: 0.4 } },
      },
    };
    value(await house.give(house.lead, 'house.save-targets', { version: 0, targets, note: 'more relief' }));
    expect(
      await house.give(house.lead, 'house.save-targets', { version: 0, targets, note: '' }),
    ).toMatchObject({
      ok: false,
      error: { code: 'conflict' },
    });
    expect(await loadTargets(house.db)).toMatchObject({ version: 1, versions: [{ note: 'more relief' }] });
    const relief = (await look()).readings.stations.find((s) => s.key === 'relief:0:7');
    expect(relief?.target).toMatchObject({ aim: 0.35, layer: 'kind' });
  });
});

test('readings go out as CSV and come in again at their places', async () => {
  const { readings } = (await look()).readings;
  const asRead = readings.filter((r) => r.converted === null || r.value !== r.standard);
  const text = toReadingsCsv(asRead);
  expect(text.split('\r\n')[0]).toContain('length (mm),pitch error (cents),angle (deg),resistance (kohm)');
  const back = value(readReadingsCsv(text) as ReturnType<typeof readReadingsCsv> & { readonly error: never });
  expect(back.map((r) => [r.round, r.key])).toEqual(asRead.map((r) => [r.round, r.key]));
  expect(readReadingsCsv(text.replace('as-found', 'someday'))).toMatchObject({ ok: false });
});

function fail(why: string): never {
  throw new Error(why);
}

test('every change of it reads as a sentence', async () => {
  expect(await unsaid(house.db)).toEqual([]);
});
