import { randomUUID } from 'node:crypto';
import { performance } from 'node:perf_hooks';
import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import { itemsFor } from '../../src/core/inspection/checklist.ts';
import { BENCH_ARRIVAL } from '../../src/core/inspection/lists/bench-arrival.ts';
import { lostWithoutStrings } from '../../src/core/inspection/strings-gate.ts';
import { stationsOf } from '../../src/core/readings/stations.ts';
import type { Database } from '../../src/server/db/connection.ts';
import { execute } from '../../src/server/door/execute.ts';
import type { Actor } from '../../src/server/use-case/use-case.ts';
import { ask } from './ask.ts';
import { median, p95, rowOf, type Row } from './row.ts';

const INSPECTORS = 20;
const ANSWERS = 15;
const WARM = 3;
/** An inspector who is quick: an answer each second and a half, not all at the same moment. */
const PAUSE_MS = 1500;

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** What would be lost without strings, reckoned for a steel-string nothing is read of. */
export function gateRow(): Row {
  const construction = usualConstruction('steel-acoustic');
  const items = itemsFor(BENCH_ARRIVAL, construction);
  const stations = stationsOf(construction);
  const time = (f: () => unknown): number[] =>
    Array.from({ length: 60 }, () => {
      const began = performance.now();
      for (let i = 0; i < 200; i++) f();
      return (performance.now() - began) / 200;
    }).sort((a, b) => a - b);
  const bare = time(() => JSON.parse(JSON.stringify(items)) as unknown);
  const gate = time(() => lostWithoutStrings('at-pitch', stations, [], items, new Set()));
  return rowOf('strings-gate', median(1, 0.1), 'its items through JSON once', bare, gate);
}

async function takeIn(db: Database, actor: Actor, serial: string): Promise<number> {
  const usual = usualConstruction('steel-acoustic');
  const done = await execute(
    db,
    actor,
    'desk.take-in',
    {
      customer: { name: 'Bench', phone: '', email: '' },
      instrument: {
        maker: '',
        model: 'Otter',
        year: '',
        serial,
        construction: { ...usual, strings: [...usual.strings] },
      },
      complaint: 'to be measured',
      touch: 'medium',
      plays: '',
      wish: '',
      neededBy: null,
      hardDate: false,
      hardReason: '',
      limitMinor: null,
      stringsState: 'at-pitch',
      cameWith: [],
      placeId: null,
    },
    randomUUID(),
  );
  if (!done.ok) throw new Error(done.error.message);
  return done.value.jobId;
}

/** An answer acknowledged, with twenty inspectors at twenty instruments at once. Judged by its 95th percentile. */
export async function answerRow(
  db: Database,
  base: string,
  cookies: string,
  bare: readonly number[],
): Promise<Row> {
  const person = await db.models.Person.findOne({ where: { role: 'lead' } });
  const device = await db.models.Device.findOne();
  if (!person || !device) throw new Error('the demo shop is not loaded');
  const { id: personId, name, initials, role } = person;
  const actor: Actor = { personId, deviceId: device.id, name, initials, role };
  const items = itemsFor(BENCH_ARRIVAL, usualConstruction('steel-acoustic'));
  const all: number[] = [];
  const inspect = async (jobId: number, n: number) => {
    await pause((PAUSE_MS * n) / INSPECTORS);
    for (let i = 0; i < WARM + ANSWERS; i++) {
      const input = { jobId, item: items[i]?.key ?? '', answer: 'fine', note: '', version: 0 };
      const began = performance.now();
      const answer = await ask(`${base}/api/command`, {
        method: 'POST',
        headers: { cookie: cookies, origin: base, 'Content-Type': 'application/json' },
        body: JSON.stringify({ id: randomUUID(), name: 'inspection.answer', input }),
      });
      const said = (await answer.json()) as { ok: boolean };
      if (!said.ok) throw new Error(`an answer was refused: ${JSON.stringify(said)}`);
      const took = performance.now() - began;
      if (i >= WARM) all.push(took);
      await pause(Math.max(0, PAUSE_MS - took));
    }
  };
  const jobs: number[] = [];
  for (let n = 0; n < INSPECTORS; n++) jobs.push(await takeIn(db, actor, `BI-${n}`));
  await Promise.all(jobs.map(inspect));
  const measured = all.sort((a, b) => a - b);
  return rowOf(`answer.${INSPECTORS}-inspectors`, p95(60, 60), 'one committed row', bare, measured);
}
