/** How programs are answered, whatever they ask: at which address, by which method, with which headers. */
import { globSync } from 'node:fs';
import { houseLog } from '../../server/keep/log.ts';
import { ADDRESSES } from './addresses.ts';
import { answer } from './answer.ts';

const ask = (path: string, method = 'GET'): Promise<Response> =>
  answer(new Request(`http://127.0.0.1:4300${path}`, { method }));

afterEach(() => vi.restoreAllMocks());

test('every address stands where its folder says, and none is forgotten', () => {
  const folders = globSync('**/handlers.ts', { cwd: import.meta.dirname })
    .map((file) => file.replace('/handlers.ts', '').replace(/\[(\w+)\]/g, ':$1'))
    .toSorted();
  const listed = ADDRESSES.map((a) => a.pattern).filter((p) => p !== 'uploads/:id');
  expect(listed.toSorted()).toEqual(folders);
});

test('whatever is asked is answered with headers that run nothing and keep nothing', async () => {
  const asked = [
    ['/api/health/live', 'GET', 200],
    ['/api/health/live', 'HEAD', 200],
    ['/api/health/live', 'OPTIONS', 204],
    ['/api/health/live', 'PUT', 405],
    ['/api/no-such-address', 'GET', 404],
    ['/api/job/412/work', 'GET', 401],
    ['/api/command', 'POST', 403],
    ['/api/job/%ZZ/work', 'GET', 401],
  ] as const;
  for (const [path, method, status] of asked) {
    const said = await ask(path, method);
    const headers = Object.fromEntries(said.headers);
    expect([path, method, said.status]).toEqual([path, method, status]);
    expect(headers['content-security-policy']).toContain("script-src 'none'");
    expect(headers).toMatchObject({
      'cache-control': 'no-store',
      'x-content-type-options': 'nosniff',
      'x-frame-options': 'DENY',
      'referrer-policy': 'no-referrer',
    });
  }
});

test('what may be done at an address is said; HEAD is GET without its contents', async () => {
  expect((await ask('/api/health/live', 'DELETE')).headers.get('allow')).toBe('GET, HEAD, OPTIONS');
  expect((await ask('/api/session', 'OPTIONS')).headers.get('allow')).toBe('POST, DELETE, OPTIONS');
  expect(await (await ask('/api/health/live', 'HEAD')).text()).toBe('');
  expect((await ask('/api/command', 'HEAD')).status).toBe(405);
});

test('an address that is written out comes before one that takes anything in its place', async () => {
  const all = ADDRESSES.map((a) => a.pattern);
  expect(all).toEqual(expect.arrayContaining(['job/:number/history', 'job/:number/:part']));
  // Of a job’s parts its history is none: what answers it is its own handler, which asks who is there.
  expect(await (await ask('/api/job/412/history')).text()).toBe('Sign in first.');
  expect(await (await ask('/api/job/412/no-such-part')).text()).toBe('A job has no such part.');
});

test('what a handler throws is a fault: no inner words go out, and the log says where by the pattern alone', async () => {
  const logged = vi.spyOn(houseLog(), 'error').mockImplementation(() => undefined);
  vi.stubEnv('RUBRICA_DATABASE_URL', '');
  const said = await ask('/api/week/feed/a-token-that-nobody-reads');
  vi.unstubAllEnvs();
  expect(said.status).toBe(500);
  expect(await said.text()).toBe('Something failed here. It stands in the log.');
  expect(said.headers.get('content-security-policy')).toContain("script-src 'none'");
  expect(logged).toHaveBeenCalledOnce();
  expect(JSON.stringify(logged.mock.calls)).toContain('/api/week/feed/:token');
  expect(JSON.stringify(logged.mock.calls)).not.toContain('a-token-that-nobody-reads');
});
