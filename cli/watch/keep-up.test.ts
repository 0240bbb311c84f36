import { keepUp, type Running } from './keep-up.ts';

/** Something that runs until it is told to end, or ends by itself. */
function thing(log: string[]) {
  let ends: () => void = () => undefined;
  const begin = (): Promise<Running> => {
    log.push('begun');
    const ended = new Promise<void>((resolve) => (ends = resolve));
    const end = () => {
      log.push('ended');
      ends();
      return Promise.resolve();
    };
    return Promise.resolve({ pid: log.length, ended, end });
  };
  return { begin, fall: () => ends() };
}

beforeEach(() => {
  vi.useFakeTimers();
  vi.spyOn(process.stderr, 'write').mockReturnValue(true);
});
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

test('what ends by itself is started again, later each time; what is stopped stays ended', async () => {
  const log: string[] = [];
  const { begin, fall } = thing(log);
  const stop = await keepUp({ what: 'it', begin });
  fall();
  await vi.advanceTimersByTimeAsync(249);
  expect(log).toEqual(['begun']);
  await vi.advanceTimersByTimeAsync(1);
  expect(log).toEqual(['begun', 'begun']);
  fall();
  await vi.advanceTimersByTimeAsync(499);
  expect(log).toHaveLength(2);
  await vi.advanceTimersByTimeAsync(1);
  expect(log).toHaveLength(3);
  await stop();
  await vi.advanceTimersByTimeAsync(60_000);
  expect(log).toEqual(['begun', 'begun', 'begun', 'ended']);
});

test('it is tried until it can be started, and a stop in a pause ends the trying', async () => {
  const log: string[] = [];
  const { begin, fall } = thing(log);
  let broken = false;
  const stop = await keepUp({
    what: 'it',
    begin: () => (broken ? (log.push('tried'), Promise.reject(new Error('no disk'))) : begin()),
  });
  broken = true;
  fall();
  await vi.advanceTimersByTimeAsync(250 + 500 + 1000);
  expect(log.filter((l) => l === 'tried')).toHaveLength(3);
  const stopped = stop();
  await vi.advanceTimersByTimeAsync(120_000);
  await stopped;
  expect(log.filter((l) => l === 'tried')).toHaveLength(3);
});

test('what cannot be started at all says so', async () => {
  await expect(keepUp({ what: 'it', begin: () => Promise.reject(new Error('no port')) })).rejects.toThrow(
    'no port',
  );
});
