/** What the house writes of itself: enough to find a fault, nothing of a customer, no token. */
import { logTo } from './log.ts';

function lines() {
  const written: string[] = [];
  const log = logTo({ write: (s) => void written.push(s) });
  return {
    log,
    read: () => written.map((w) => JSON.parse(w) as Record<string, unknown>),
    text: () => written.join(''),
  };
}

test('an error is written with its command and request, its kind, its place and its cause', () => {
  const { log, read } = lines();
  log.error('a command failed', {
    request: 'r-1',
    command: 'c-1',
    name: 'readings.save',
    error: new Error('outer', { cause: new TypeError('inner') }),
  });
  expect(read()).toEqual([
    expect.objectContaining({
      level: 50,
      request: 'r-1',
      command: 'c-1',
      name: 'readings.save',
      msg: 'a command failed',
      error: expect.objectContaining({
        kind: 'Error',
        message: 'outer',
        stack: expect.arrayContaining([expect.stringContaining('log.test')]) as unknown,
        cause: expect.objectContaining({ kind: 'TypeError', message: 'inner' }) as unknown,
      }) as unknown,
    }),
  ]);
});

test('what a database repeats of what was typed, queries and tokens are not written', () => {
  const { log, text } = lines();
  const parent = { code: 'ER_DATA_TOO_LONG', sqlState: '22001' };
  log.error('x', { error: Object.assign(new Error("Data too long: 'Petra Aldous 555 0101'"), { parent }) });
  log.warn('y', { at: `/estimate/${'a'.repeat(43)}?q=Petra` });
  expect(text()).toContain('ER_DATA_TOO_LONG');
  expect(text()).toContain('/estimate/…token…');
  expect(text()).not.toMatch(/Petra|555|aaaa/);
});
