/** What waits on a tablet: in order, once, chained by thing, conflicts kept. */
import fc from 'fast-check';
import {
  enqueue,
  flush,
  inputNow,
  isWaiting,
  letTheirsStand,
  MOST_TRIES,
  sayMineOver,
  setOwner,
  tryAgain,
  type Outcome,
  type Queued,
} from './command-queue.ts';

const store = new Map<string, string>();
beforeAll(() => {
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => store.get(k) ?? null,
    setItem: (k: string, v: string) => store.set(k, v),
    removeItem: (k: string) => store.delete(k),
  });
});
afterAll(() => {
  vi.unstubAllGlobals();
});
beforeEach(() => {
  store.clear();
  setOwner(1);
});
const left = (): readonly Queued[] => JSON.parse(store.get('rubrica:queue') ?? '[]') as Queued[];
const step = (lineId: number, action: 'start' | 'pause' | 'finish', version = 0) =>
  enqueue('work.step', { lineId, version, action }, crypto.randomUUID());

/** A house that keeps versions, and may go away after so many commands. */
function house(patience = Infinity) {
  const versions = new Map<string, number>();
  const seen: string[] = [];
  let calls = 0;
  const post = (e: Queued): Promise<Outcome> => {
    if (++calls > patience) return Promise.resolve({ kind: 'away' });
    const version = versions.get(e.thing) ?? 0;
    if (e.input['version'] !== version)
      return Promise.resolve({
        kind: 'no',
        error: { code: 'conflict', message: 'changed', theirs: { by: 'Ilse', says: 'other', version } },
      });
    versions.set(e.thing, version + 1);
    seen.push(e.id);
    return Promise.resolve({ kind: 'done', version: version + 1 });
  };
  return { post, versions, seen };
}

test('what waits goes in order, once, each on the version the one before it made', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.nat(3), { maxLength: 12 }),
      fc.array(fc.nat(4), { maxLength: 6 }),
      async (things, stops) => {
        store.clear();
        setOwner(1);
        for (const t of things) step(t, 'start');
        const ids = left().map((e) => e.id);
        const versions = new Map<string, number>();
        const seen: string[] = [];
        for (const patience of [...stops, Infinity]) {
          const h = house(patience);
          for (const [k, v] of versions) h.versions.set(k, v);
          await flush(h.post);
          for (const [k, v] of h.versions) versions.set(k, v);
          seen.push(...h.seen);
        }
        expect(seen).toEqual(ids);
        expect(left()).toEqual([]);
      },
    ),
    { numRuns: 40 },
  );
});

test('a conflict stays to be decided; what follows on the same thing waits, the rest goes on', async () => {
  step(1, 'start');
  step(1, 'pause');
  step(2, 'start');
  const h = house();
  h.versions.set('line:1', 5);
  expect(await flush(h.post)).toBe(true);
  expect(left().map((e) => [e.thing, e.state])).toEqual([
    ['line:1', 'conflict'],
    ['line:1', 'waiting'],
  ]);
  await flush(h.post);
  expect(left()).toHaveLength(2);
  sayMineOver(left()[0]?.id ?? '');
  await flush(h.post);
  expect(left()).toEqual([]);
  expect(h.versions.get('line:1')).toBe(7);
});

test('to let theirs stand forgets what was queued on the same thing, and nothing else', async () => {
  step(1, 'start');
  step(1, 'pause');
  const h = house();
  h.versions.set('line:1', 5);
  await flush(h.post);
  step(2, 'start');
  letTheirsStand(left()[0]?.id ?? '');
  expect(left().map((e) => e.thing)).toEqual(['line:2']);
});

test('what one person did waits for them', async () => {
  step(1, 'start');
  setOwner(2);
  expect(isWaiting()).toBe(false);
  const h = house();
  await flush(h.post);
  expect(h.seen).toEqual([]);
  setOwner(1);
  expect(isWaiting()).toBe(true);
  await flush(h.post);
  expect(h.seen).toHaveLength(1);
});

test('signed out, or refused: nothing is lost', async () => {
  step(1, 'start');
  await flush(() => Promise.resolve({ kind: 'no', error: { code: 'signed-out', message: '' } }));
  expect(left()[0]?.state).toBe('waiting');
  await flush(() => Promise.resolve({ kind: 'no', error: { code: 'refused', message: 'Not yet.' } }));
  expect(left()[0]).toMatchObject({ state: 'refused', message: 'Not yet.' });
});

test('what the house has a fault with is tried a few times, then shown; what comes behind it goes on', async () => {
  step(1, 'start');
  step(1, 'pause');
  step(2, 'start');
  const h = house();
  const poisoned = left()[0]?.id;
  const post = (e: Queued): Promise<Outcome> =>
    e.id === poisoned
      ? Promise.resolve({ kind: 'fault', error: { code: 'fault', message: 'could not (500)' } })
      : h.post(e);
  expect(await flush(post)).toBe(true);
  expect(h.versions.get('line:2')).toBe(1);
  for (let i = 1; i < MOST_TRIES; i++) {
    expect(left()[0]).toMatchObject({ state: 'waiting', tries: i });
    await flush(post);
  }
  expect(left().map((e) => e.state)).toEqual(['failed', 'waiting']);
  step(3, 'start');
  await flush(post);
  expect(h.versions.get('line:3')).toBe(1);
  tryAgain(poisoned ?? '');
  await flush(h.post);
  expect(left()).toEqual([]);
  expect(h.versions.get('line:1')).toBe(2);
});

test('what failed can be forgotten, with what was queued on it', async () => {
  step(1, 'start');
  step(1, 'pause');
  for (let i = 0; i < MOST_TRIES; i++)
    await flush(() => Promise.resolve({ kind: 'fault', error: { code: 'fault', message: '' } }));
  letTheirsStand(left()[0]?.id ?? '');
  expect(left()).toEqual([]);
});

test('how long it waited is said when it goes, by one clock; what an older release kept too', () => {
  step(1, 'start');
  const [e] = left();
  if (!e) throw new Error('nothing queued');
  expect(e.input).not.toHaveProperty('at');
  expect(inputNow(e, Date.parse(e.at) + 42_000)).toMatchObject({ lineId: 1, ago: 42_000 });
  const old = { ...e, input: { ...e.input, at: e.at } };
  expect(inputNow(old, Date.parse(e.at) - 5000)).toEqual({ ...e.input, ago: 0 });
});
