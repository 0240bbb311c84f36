import { loadBench } from '../../src/server/bench/load-bench.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;
beforeAll(async () => {
  house = await workingHouse('strings_step');
});
afterAll(() => house.db.sequelize.close());

/** A bridge to be glued: the strings come off first and go on last. */
async function bridgeJob() {
  const { jobId, number, line, step } = await house.jobWith(['strings-off', 'bridge-reglue', 'restring']);
  return {
    jobId,
    number,
    line,
    step: (
      ...[id, action, without = '']: [Parameters<typeof step>[0], Parameters<typeof step>[1], string?]
    ) => step(id, action, house.technician, { without }),
    hinders: async (id: Parameters<typeof line>[0]) => (await line(id)).hinders.map((h) => h.kind),
  };
}

test('before the strings come off what wants them is asked for; a reason lets them come off, and the record says so', async () => {
  const { number, step, hinders } = await bridgeJob();
  expect(await step('strings-off', 'start')).toMatchObject({
    ok: false,
    error: {
      code: 'invalid',
      fields: {
        without: expect.stringMatching(
          /^With the strings off it cannot be read any more.*Relief, 7th/,
        ) as string,
      },
    },
  });
  expect(await step('strings-off', 'start', 'the bridge is coming off')).toMatchObject({ ok: true });
  expect((await house.view(number)).stringsState).toBe('at-pitch');
  expect(await step('strings-off', 'finish')).toMatchObject({ ok: true });
  const bare = await house.view(number);
  expect(bare.stringsState).toBe('off');
  expect(bare.strings.at(-1)).toMatchObject({ kind: 'off', by: 'The technician' });
  expect(bare.strings.at(-1)?.lost.readings).toContain('Relief, 7th');
  expect(await hinders('strings-off')).toEqual([]);
});

test('what was read before they came off is not asked for again while they are off, and is stale once new ones are on', async () => {
  const { jobId, number, line, step, hinders } = await bridgeJob();
  const { stations } = (await house.view(number)).readings;
  for (const { quantity, string, fret, optional } of stations.filter(
    (s) => !s.optional && s.quantity !== 'intonation',
  ))
    await house.order(house.technician, 'readings.save', {
      jobId,
      round: 'as-found',
      quantity,
      string,
      fret,
      typed: quantity === 'action' ? '2 mm' : quantity === 'saddle-standout' ? '3 mm' : '0.1 mm',
      unit: 'mm',
      version: optional ? 1 : 0,
    });
  expect(await step('strings-off', 'start', 'its pitches were heard')).toMatchObject({ ok: true });
  expect(await step('strings-off', 'finish')).toMatchObject({ ok: true });
  const stale = async () => (await house.view(number)).proposal.stale.length;
  expect(await stale()).toBe(0);
  const [hinder] = (await line('bridge-reglue')).hinders;
  // Only what nobody read before they came off is said to be missing.
  expect(hinder?.places.every((p) => p.key.startsWith('intonation'))).toBe(true);
  expect(await step('bridge-reglue', 'start', 'nothing is cut by it')).toMatchObject({ ok: true });
  expect(await step('bridge-reglue', 'finish')).toMatchObject({ ok: true });
  // The glue sets: only that stands in the way.
  expect(await hinders('restring')).toEqual(['rest']);
  const { id: lineId, version } = await line('restring');
  const { strings } = (await house.view(number)).instrument.construction;
  const on = (without?: string) =>
    house.give(house.technician, 'strings.on', {
      jobId,
      setName: '',
      fresh: true,
      strings: [...strings],
      finishes: { lineId, version },
      ...(without !== undefined && { without }),
    });
  expect(await on()).toMatchObject({ ok: false, error: { code: 'invalid' } });
  // Relief and the two actions: the bridge is not where it was.
  expect(await stale()).toBe(3);
  expect(await on('a fast glue')).toMatchObject({ ok: true });
  expect(await line('restring')).toMatchObject({ step: 'finished' });
});

test('a slip is taken back: the strings are on as they were; so with a step that is not finished after all', async () => {
  const { jobId, number, step } = await bridgeJob();
  const state = async () => (await house.view(number)).stringsState;
  for (const back of ['undo', 'reopen'] as const) {
    if (back === 'undo') expect(await step('strings-off', 'start', 'a slip')).toMatchObject({ ok: true });
    expect(await step('strings-off', 'finish')).toMatchObject({ ok: true });
    expect(await state()).toBe('off');
    expect(await step('strings-off', back)).toMatchObject({ ok: true });
    expect(await state()).toBe('at-pitch');
    expect((await house.view(number)).strings).toEqual([]);
  }
  await house.order(house.technician, 'strings.off', { jobId, reason: 'one is broken' });
  expect(await step('strings-off', 'finish')).toMatchObject({ ok: true });
  expect(await step('strings-off', 'undo')).toMatchObject({ ok: true });
  // That somebody took them off by themselves is another matter.
  expect([await state(), (await house.view(number)).strings.length]).toEqual(['off', 1]);
});

test('what rests is offered to nobody’s hands until it has rested', async () => {
  const { number, step } = await bridgeJob();
  const offered = async (hours: number) =>
    (await loadBench(house.db, house.technician.personId, new Date(Date.now() + hours * 3_600_000)))
      .filter((s) => s.number === number)
      .map((s) => s.title);
  expect(await step('strings-off', 'start', 'read before')).toMatchObject({ ok: true });
  expect(await step('strings-off', 'finish')).toMatchObject({ ok: true });
  expect(await offered(0)).toEqual(['Reglue the bridge', 'Put a new set on']);
  expect(await step('bridge-reglue', 'start', 'nothing is cut by it')).toMatchObject({ ok: true });
  expect(await step('bridge-reglue', 'finish')).toMatchObject({ ok: true });
  expect([await offered(1), await offered(25)]).toEqual([[], ['Put a new set on']]);
});

test('a rod that was turned is read again before the strings come off for the frets', async () => {
  const { number, line, step } = await house.jobWith(['rod', 'strings-off', 'fret-spot']);
  expect((await house.view(number)).lines.map((l) => l.operation)).toEqual([
    'rod',
    'strings-off',
    'fret-spot',
  ]);
  const asked = async () => (await line('strings-off')).hinders.flatMap((h) => h.places.map((p) => p.key));
  const { jobId, readings } = await house.view(number).then((v) => ({ jobId: v.id, readings: v.readings }));
  const required = readings.stations.filter((s) => !s.optional);
  const read = (round: 'as-found' | 'after-work', some: typeof required) =>
    Promise.all(
      some.map(({ quantity, string, fret }) =>
        house.order(house.technician, 'readings.save', {
          jobId,
          round,
          quantity,
          string,
          fret,
          typed: quantity === 'intonation' ? '1' : quantity === 'action' ? '2 mm' : '0.1 mm',
          unit: 'mm',
          version: 0,
        }),
      ),
    );
  for (const one of required) await read('as-found', [one]);
  expect(await asked()).toEqual([]);
  expect(await step('rod', 'start')).toMatchObject({ ok: true });
  expect(await step('rod', 'finish')).toMatchObject({ ok: true });
  expect(await asked()).toEqual(['relief:0:7']);
  await read(
    'after-work',
    required.filter((s) => s.quantity === 'relief'),
  );
  expect(await asked()).toEqual([]);
});
