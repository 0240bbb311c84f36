/** Many hours in short: commands, streams that come and go, readers that are slow. Nothing is held that is not needed. */
import { randomUUID } from 'node:crypto';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { openStreams } from '../../src/server/keep/open-streams.ts';
import { LONG } from '../../src/runs-for-tests.ts';
import { signedIn } from '../signed-in.ts';
import { asking } from './asking.ts';
import { askHouse } from './routes.ts';
import { screenHouse } from './screen-house.tsx';

const COMMANDS = LONG ? 20_000 : 200;
/** Before this much is done, what is made once is not there yet. */
const WARM = Math.round(COMMANDS / 3);
const STREAMS = LONG ? 200 : 20;
const MOST_GROWTH = 1.05;
const AS_LONG_AS_IT_TAKES = { timeout: LONG ? 3_600_000 : 600_000 };

setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc') as () => void;
const pause = (ms: number): Promise<void> => new Promise((go) => setTimeout(go, ms));

/** One tablet alone is told that this is too often: a hundred changes a second are no hand's. */
const TABLETS = 8;
const tablets: Map<string, string>[] = [];

const house = screenHouse('soak');
let jobId = 0;
beforeAll(async () => {
  ({ jobId } = await house.takeIn('steel-acoustic', 'Soaked'));
  const lead = await house.db().models.Person.findOne({ where: { role: 'lead' }, rejectOnEmpty: true });
  for (let n = 1; n <= TABLETS; n++) {
    const cookies = await signedIn(house.db(), lead.id, `the soak’s tablet ${n}`);
    tablets.push(new Map(cookies.map((c) => [c.name, c.value])));
  }
  asking.cookies = tablets[0] ?? new Map();
});

let version = 0;
async function change(): Promise<void> {
  asking.cookies = tablets[version % TABLETS] ?? new Map();
  const typed = `.0${String(10 + (version % 80))}`;
  const reading = { quantity: 'relief', string: 0, fret: 7, typed, unit: 'thou' };
  const input = { jobId, round: 'as-found', ...reading, version };
  const body = JSON.stringify({ id: randomUUID(), name: 'readings.save', input });
  const answer = await askHouse('/api/command', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body,
  });
  const said = (await answer.json()) as { ok: boolean; value?: { version: number } };
  if (!said.ok || !said.value) throw new Error(JSON.stringify(said));
  ({ version } = said.value);
}

interface Listener {
  readonly end: () => void;
  /** lets what is heard lie, as a tablet does that sleeps with its connection open */
  readonly asleep: boolean;
  heard: number;
}

/** A screen that listens, reads slowly or not at all, and goes away. */
async function listen(asleep: boolean): Promise<Listener> {
  const gone = new AbortController();
  const answer = await askHouse('/api/events', { signal: gone.signal });
  const reader = answer.body?.getReader();
  const listener: Listener = { end: () => gone.abort(), asleep, heard: 0 };
  const read = async (): Promise<void> => {
    for (let next = await reader?.read(); next && !next.done; next = await reader?.read()) {
      listener.heard += 1;
      await pause(5);
    }
  };
  if (!asleep) void read().catch(() => undefined);
  return listener;
}

/** What is held after everything that is not needed was let go, bytes. */
async function held(): Promise<number> {
  for (let i = 0; i < 4; i++) {
    await pause(50);
    collect();
  }
  return process.memoryUsage().heapUsed;
}

test(
  `${COMMANDS} commands and ${STREAMS} streams: memory stays, no handle is left`,
  AS_LONG_AS_IT_TAKES,
  async () => {
    let listeners: Listener[] = [];
    let [heard, came] = [0, 0];
    const go = (l: Listener): void => {
      heard += l.heard;
      l.end();
    };
    let [before, handles] = [0, 0];
    for (let n = 0; n < COMMANDS; n++) {
      if (n === WARM) {
        listeners.forEach(go);
        listeners = [];
        await pause(200);
        [before, handles] = [await held(), process.getActiveResourcesInfo().length];
      }
      if (n % Math.ceil(COMMANDS / STREAMS) === 0) listeners.push(await listen(++came % 3 === 0));
      // Some go away, the longest there first; those asleep are let go by the house.
      const [first] = listeners;
      if (listeners.length > 12 && first) {
        go(first);
        listeners = listeners.slice(1);
      }
      await change();
    }
    listeners.forEach(go);
    await pause(300);
    expect(heard).toBeGreaterThan(STREAMS / 2);
    expect(openStreams()).toBe(0);
    const after = await held();
    expect(
      after / before,
      `${Math.round(before / 1e6)} MB before, ${Math.round(after / 1e6)} MB after`,
    ).toBeLessThan(MOST_GROWTH);
    // The database's own connections come and go; each stream that were left would hold a timer at least.
    expect(process.getActiveResourcesInfo().length).toBeLessThan(handles + STREAMS / 3);
  },
);

test('a screen that never reads is let go; one that reads is told everything', async () => {
  const asleep = await listen(true);
  const awake = await listen(false);
  await pause(100);
  expect(openStreams()).toBe(2);
  for (let n = 0; n < 230 && openStreams() > 1; n++) {
    await change();
    await pause(20);
  }
  expect(openStreams()).toBe(1);
  expect(awake.heard).toBeGreaterThan(50);
  awake.end();
  asleep.end();
  await pause(50);
  expect(openStreams()).toBe(0);
});

test('one that ends its reading is let go at once', async () => {
  const answer = await askHouse('/api/events');
  await pause(50);
  expect(openStreams()).toBe(1);
  await answer.body?.cancel();
  expect(openStreams()).toBe(0);
  // Nor is one kept for who asks what there is without reading it.
  expect((await askHouse('/api/events', { method: 'HEAD' })).status).toBe(200);
  expect(openStreams()).toBe(0);
});
