import { inTurn } from './in-turn.ts';

/** A house that keeps a version, and refuses what comes with another. */
function house(version = 1) {
  const heard: (readonly [string, unknown])[] = [];
  const post = (name: string) => async (input: Readonly<Record<string, unknown>>) => {
    await new Promise((r) => setTimeout(r, 5));
    heard.push([name, input['version']]);
    if (input['version'] !== version) return { ok: false as const };
    version += 1;
    return { ok: true as const, value: { version } };
  };
  return { heard, post, foreign: () => (version += 1) };
}
let job = 0;
const jobId = () => ++job;

test('a field that is left and a box that is ticked in one movement both arrive', async () => {
  const { post, heard } = house();
  const id = jobId();
  const [a, b] = await Promise.all([
    inTurn('hand-over.ending', { jobId: id, version: 1, note: 'x' }, post('ending')),
    inTurn('hand-over.check', { jobId: id, version: 1 }, post('check')),
  ]);
  expect([a.ok, b.ok]).toEqual([true, true]);
  expect(heard).toEqual([
    ['ending', 1],
    ['check', 2],
  ]);
  // A third part that began from what stood at first follows both.
  expect((await inTurn('hand-over.advice', { jobId: id, version: 1 }, post('advice'))).ok).toBe(true);
});

test('the same part twice from one version is a conflict still: the second did not see the first', async () => {
  const { post } = house();
  const id = jobId();
  const twice = await Promise.all([
    inTurn('hand-over.check', { jobId: id, version: 1 }, post('check')),
    inTurn('hand-over.check', { jobId: id, version: 1 }, post('check')),
  ]);
  expect(twice.map((d) => d.ok)).toEqual([true, false]);
});

test('a colleague’s change in between is not passed over', async () => {
  const { post, foreign } = house();
  const id = jobId();
  await inTurn('hand-over.ending', { jobId: id, version: 1 }, post('ending'));
  foreign();
  expect((await inTurn('hand-over.check', { jobId: id, version: 1 }, post('check'))).ok).toBe(false);
});

test('what failed leaves the turn to the next; other jobs and other commands do not wait', async () => {
  const id = jobId();
  const fails = inTurn('hand-over.ending', { jobId: id, version: 1 }, () =>
    Promise.reject(new Error('away')),
  );
  await expect(fails).rejects.toThrow('away');
  const { post, heard } = house();
  expect((await inTurn('hand-over.check', { jobId: id, version: 1 }, post('check'))).ok).toBe(true);
  await Promise.all([
    inTurn('work.step', { jobId: id, version: 7 }, post('step')),
    inTurn('hand-over.check', { jobId: jobId(), version: 2 }, post('other')),
  ]);
  expect(heard).toContainEqual(['step', 7]);
  expect(heard).toContainEqual(['other', 2]);
});
