/** The doors of the house: pairing and signing in through the screen, and requests larger than any of them takes. */
import { request as httpRequest } from 'node:http';
import { expect } from '@playwright/test';
import { A, pairedTablet, signIn, test } from './shop.ts';

/** More than any door would ever read: the sender goes on until it is answered. */
const ENDLESS_MB = 2000;
const MB = 1024 * 1024;

interface Sent {
  readonly status: number;
  /** bytes the house had taken when it answered */
  readonly taken: number;
}

/** Sends a body piece by piece without saying how long it is, until the house answers or hangs up. */
function pour(
  path: string,
  megabytes: number,
  headers: Record<string, string> = {},
  method = 'POST',
): Promise<Sent> {
  const { hostname, port, host } = new URL(A);
  return new Promise((resolve) => {
    let taken = 0;
    let status = 0;
    const request = httpRequest({
      hostname,
      port,
      path,
      method,
      headers: {
        origin: A,
        host,
        'content-type': 'application/json',
        'transfer-encoding': 'chunked',
        ...headers,
      },
    });
    const end = () => {
      request.destroy();
      resolve({ status, taken });
    };
    request.on('response', (answer) => {
      status = answer.statusCode ?? 0;
      answer.resume();
      answer.on('end', end);
    });
    request.on('error', end);
    request.setTimeout(30_000, end);
    const piece = Buffer.alloc(64 * 1024, '[');
    const more = (): void => {
      if (status !== 0 || taken >= megabytes * MB) {
        if (!request.destroyed) request.end();
        return;
      }
      taken += piece.length;
      if (request.write(piece)) setImmediate(more);
      else request.once('drain', more);
    };
    more();
  });
}

test('a tablet is paired and somebody signs in, by the screen', async ({ browser }) => {
  const { page } = await pairedTablet(browser, A, 'The new tablet');
  await signIn(page, 'Nadia Brook', '8642');
  await page.waitForURL('**/rack');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Rack');
});

test('one large request from anybody neither freezes the house nor is read whole', async ({ request }) => {
  const token = 'a'.repeat(43);
  const DOORS = [
    ['/api/command', 401],
    ['/api/session', 403],
    ['/api/pair', 413],
    ['/api/presence', 401],
    [`/api/estimate/${token}`, 409],
    [`/api/offer/${token}`, 409],
    ['/api/sums/break-angle', 413],
    ['/api/exchange', 401],
    ['/api/client-error', 401],
    ['/api/uploads', 401],
  ] as const;
  for (const [path, status] of DOORS) {
    const sent = pour(path, ENDLESS_MB);
    expect([path, (await request.get(`${A}/api/health`)).status()]).toEqual([path, 200]);
    const answered = await sent;
    // The house may hang up before its answer is heard: then it has taken little.
    const heard = answered.status === status && answered.taken < ENDLESS_MB * MB;
    expect([path, heard || (answered.status === 0 && answered.taken < 64 * MB), answered.status]).toEqual([
      path,
      true,
      answered.status,
    ]);
  }
});

test('a page takes no body, and goes on answering', async ({ request }) => {
  for (const path of ['/rack', '/sign-in', `/estimate/${'a'.repeat(43)}`]) {
    const sent = pour(path, 24);
    expect((await request.get(`${A}/api/health`)).status()).toBe(200);
    expect([path, [405, 0].includes((await sent).status)]).toEqual([path, true]);
  }
});

test('a length that is said and too long is refused before anything is read', async ({ request }) => {
  const said = await request.post(`${A}/api/pair`, {
    headers: { origin: A, 'content-type': 'application/json' },
    data: JSON.stringify({ code: 'x'.repeat(200_000), name: 'y' }),
  });
  expect(said.status()).toBe(413);
  expect(await said.json()).toMatchObject({
    ok: false,
    error: { message: expect.stringContaining('too large') },
  });
});
