import { unzipSync } from 'fflate';
import { judge } from '../../src/core/job/judge.ts';
import { readJob } from '../../src/server/jobs/read-job.ts';
import { exportJob } from '../../src/server/exchange/export-job.ts';
import { planOfFile } from '../../src/server/exchange/plan-of-file.ts';
import { intake, staffedHouse, value } from './house.ts';

type House = Awaited<ReturnType<typeof staffedHouse>>;
let house: House;
beforeAll(async () => {
  house = await staffedHouse('plan_file');
});
afterAll(() => house.db.sequelize.close());

const SET = [
  ['relief', 0, 7, '0.2'],
  ['action', 6, 12, '3.2'],
  ['action', 1, 12, '2.6'],
  ['saddle-standout', 0, 0, '5'],
  ...[1, 2, 3, 4, 5, 6].map((s) => ['nut-gap', s, 1, '0.1'] as const),
] as const;

async function exported(rounds: 'read' | 'none') {
  const taken = value(await house.give(house.desk, 'desk.take-in', intake()));
  if (rounds === 'read')
    for (const [quantity, string, fret, typed] of SET)
      value(
        await house.give(house.technician, 'readings.save', {
          jobId: taken.jobId,
          round: 'as-found',
          quantity,
          string,
          fret,
          typed,
          unit: 'mm',
          version: 0,
        }),
      );
  const zip = await exportJob(house.db, taken.number);
  if (!zip) throw new Error('no job');
  return { zip: new Uint8Array(zip), number: taken.number };
}

test('the plans of an exported job: left, enough and best, from the zip and from its job.json alike', async () => {
  const { zip, number } = await exported('read');
  const done = planOfFile(zip);
  if (!done.ok) throw new Error(done.error);
  expect(done.value.job).toBe(number);
  expect(done.value.plans.map((p) => p.id)).toEqual(['leave', 'sufficient', 'best']);
  expect(done.value.plans[1]?.operations.map((o) => o.id)).toContain('saddle-lower');
  expect(done.value.plans[1]?.misses).toBe(0);
  expect(done.value.notUsed.missing.length).toBe(6);
  const json = unzipSync(zip)['job.json'];
  expect(planOfFile(json ?? new Uint8Array())).toEqual(done);
});

test('what the counter was told goes along: the touch that was not said, and a history that counts', async () => {
  const { zip } = await exported('read');
  const json = JSON.parse(new TextDecoder().decode(unzipSync(zip)['job.json'])) as {
    job: Record<string, unknown>;
    instrument: Record<string, unknown>;
  };
  const planned = (told: Record<string, unknown>) => {
    const file = {
      ...json,
      instrument: { ...json.instrument, worthMinor: 100 },
      job: { ...json.job, ...told },
    };
    const done = planOfFile(new TextEncoder().encode(JSON.stringify(file)));
    if (!done.ok) throw new Error(done.error);
    return done.value.plans[1]?.operations.map((o) => o.id) ?? [];
  };
  expect(planned({ matters: null })).toEqual(planned({}));
  expect(planned({ touch: null })).toEqual(planned({ touch: 'medium' }));
  // Worth next to nothing, what it needs is too dear; where its history counts it is not.
  expect(planned({ matters: 'history' })).toContain('saddle-lower');
  expect(planned({ matters: 'history' }).length).toBeGreaterThanOrEqual(planned({ matters: 'price' }).length);
});

test('a job that was not read says why there is no plan', async () => {
  const { zip } = await exported('none');
  const done = planOfFile(zip);
  expect(done.ok && done.value.plans).toEqual([]);
  expect(done.ok && done.value.because).toMatch(/action was not read/);
});

test.each([
  ['not json', 'This is no JSON file.'],
  ['{}', 'format: This is no exported job.'],
  ['[]', 'the whole: '],
])('%s is refused', (text, says) => {
  const done = planOfFile(new TextEncoder().encode(text));
  expect(done.ok ? '' : done.error).toContain(says);
});

test('what was heard goes with the job: the plans of its file are those of the house', async () => {
  const taken = value(await house.give(house.desk, 'desk.take-in', intake()));
  for (const [quantity, string, fret, typed] of SET) {
    const at = { jobId: taken.jobId, round: 'as-found', quantity, string, fret } as const;
    value(await house.give(house.technician, 'readings.save', { ...at, typed, unit: 'mm', version: 0 }));
  }
  const { jobId, number } = taken;
  for (const held of [3, 7])
    value(
      await house.give(house.technician, 'plan.hear', { jobId, string: 6, held, heard: 'clear', was: null }),
    );
  const job = await house.db.models.Job.findByPk(jobId);
  if (!job) throw new Error('no job');
  const own = judge(await readJob(house.db.models, job)).planned().plans;
  const zip = await exportJob(house.db, number);
  const done = planOfFile(new Uint8Array(zip ?? []));
  if (!done.ok) throw new Error(done.error);
  expect(done.value.plans.map((p) => p.predicted)).toEqual(own?.plans.map((p) => p.predicted));
  expect(done.value.plans.map((p) => p.undone)).toEqual(own?.plans.map((p) => p.undone));
});
