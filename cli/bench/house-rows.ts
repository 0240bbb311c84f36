import { performance } from 'node:perf_hooks';
import type { Database } from '../../src/server/db/connection.ts';
import { countDue } from '../../src/server/jobs/job-facts.ts';
import { loadLeaf } from '../../src/server/leaves/load-leaf.ts';
import { actorFor } from '../../src/server/people/who.ts';
import { loadRackPage } from '../../src/server/rack/load-rack.ts';
import { command, contents } from './ask.ts';
import { giveBare, statementsOf } from './bare-statements.ts';
import { median, p95, rowOf, type Row } from './row.ts';
import { times, timesByTurns } from './times.ts';

/** Where the house serves, who asks, and the job that is looked at. */
export interface MeasuredHouse {
  readonly db: Database;
  readonly base: string;
  readonly cookies: string;
  readonly number: number;
}

const BARE_SAVE = "UPDATE settings SET version = version + 1 WHERE name = 'shop'";
const PEOPLE = 20;
const SAVES = 12;

/** One committed row: what no save can do without. */
export const bareSave = (db: Database) => (): Promise<unknown> => db.sequelize.query(BARE_SAVE);

async function versionOf(db: Database, jobId: number): Promise<number> {
  const round = await db.models.Round.findOne({ where: { jobId, kind: 'as-found' } });
  const row = await db.models.ReadingRow.findOne({ where: { roundId: round?.id ?? 0, quantity: 'relief' } });
  return row?.version ?? 0;
}

/** Saves a reading of a job again and again through the house, each time another one. */
export async function saver(
  { db, base, cookies }: MeasuredHouse,
  number: number,
): Promise<(i: number) => Promise<void>> {
  const job = await db.models.Job.findOne({ where: { number } });
  if (!job) throw new Error(`no job ${number}`);
  let version = await versionOf(db, job.id);
  return async (i: number) => {
    const input = {
      jobId: job.id,
      round: 'as-found',
      quantity: 'relief',
      string: 0,
      fret: 7,
      typed: `.0${10 + (i % 9)}`,
      unit: 'thou',
      version,
    };
    const given = { id: crypto.randomUUID(), name: 'readings.save', input };
    const said = (await command(base, cookies, given)) as { ok: boolean; value?: { version: number } };
    if (!said.ok || !said.value) throw new Error(`saving was refused: ${JSON.stringify(said)}`);
    ({ version } = said.value);
  };
}

/** What a house of so many jobs takes for the rack, for each leaf as another screen loads it, and for saving a reading. */
export async function houseRows(house: MeasuredHouse, jobs: number): Promise<Row[]> {
  const { db, base, cookies, number } = house;
  const page = (path: string) => () => contents(base + path, cookies);
  const who = () => actorFor(db, 'no such session', 'no such device', new Date());
  // What is measured is a rack whose counts hold: those that wait are counted first.
  await countDue(db);
  const rack = await statementsOf(db, async () => {
    await who();
    await loadRackPage(db);
  });
  const rows = [
    rowOf(
      `rack.${jobs}-jobs`,
      median(2, 20),
      `its ${rack.length} statements`,
      ...(await timesByTurns(giveBare(db, rack), page('/api/rack'))),
    ),
  ];
  for (const leaf of ['inspection', 'readings', 'plan', 'work'] as const) {
    const given = await statementsOf(db, async () => {
      await who();
      await loadLeaf(db, number, leaf);
    });
    rows.push(
      rowOf(
        `leaf-${leaf}.${jobs}-jobs`,
        median(2, 15),
        `its ${given.length} statements`,
        ...(await timesByTurns(giveBare(db, given), page(`/api/job/${number}/${leaf}`))),
      ),
    );
  }
  const save = await saver(house, number);
  rows.push(
    rowOf(
      `reading-save.${jobs}-jobs`,
      median(12, 15),
      'one committed row',
      ...(await timesByTurns(bareSave(db), save)),
    ),
  );
  return rows;
}

/** A reading saved while twenty people save at their own jobs, beside one who saves alone. */
export async function saveTogetherRow(house: MeasuredHouse, numbers: readonly number[]): Promise<Row> {
  const alone = await times(await saver(house, house.number));
  const savers = await Promise.all(numbers.slice(0, PEOPLE).map((n) => saver(house, n)));
  const all: number[] = [];
  await Promise.all(
    savers.map(async (save, n) => {
      // A quick hand takes a reading each second and a half, not all at the same moment.
      await new Promise((resolve) => setTimeout(resolve, (1500 * n) / savers.length));
      for (let i = 0; i < SAVES; i++) {
        const began = performance.now();
        await save(i);
        const took = performance.now() - began;
        if (i > 1) all.push(took);
        await new Promise((resolve) => setTimeout(resolve, Math.max(0, 1500 - took)));
      }
    }),
  );
  return rowOf(
    `reading-save.${savers.length}-people`,
    p95(3, 50),
    'the same alone',
    alone,
    all.sort((a, b) => a - b),
  );
}

/** How the rack and a leaf grow with the jobs of a shop: the largest beside the smallest, each with its bare statements. */
export function growthRows(
  small: readonly Row[],
  large: readonly Row[],
  sizes: readonly [number, number],
): Row[] {
  return small.flatMap((s) => {
    const name = s.id.split('.')[0] ?? s.id;
    const l = large.find((r) => r.id.startsWith(`${name}.`));
    if (!l) return [];
    return [
      rowOf(
        `growth.${name}.${sizes[1]}-jobs`,
        median(2, l.median),
        `the same at ${sizes[0]}`,
        [s.median],
        [l.median],
      ),
    ];
  });
}
