/** The shop's tablets: over https with a certificate of the machine's own, nothing but the way to trust it over plain http. */
import { createHash, X509Certificate } from 'node:crypto';
import { request } from 'node:https';
import { connect } from 'node:tls';
import { chromium, type Browser } from '@playwright/test';
import { CHROMIUM_ARGS } from '../../cli/base/browser.ts';
import { buildIfNeeded } from '../../cli/base/build.ts';
import { needProgram } from '../../cli/base/packages.ts';
import { lanAddresses } from '../../cli/lan/addresses.ts';
import { StartedHouse } from './started-house.ts';
import { LONG } from '../../src/runs-for-tests.ts';

const LAN_PORT = 4453;
const TRUST_PORT = LAN_PORT + 37;

let house: StartedHouse;
let browser: Browser;
let root = '';
// A machine without a network is reached under its own name.
const first = lanAddresses(null)?.first ?? 'localhost';
const address = `https://${first}:${LAN_PORT}`;
const trust = `http://${first}:${TRUST_PORT}`;

interface Answer {
  readonly status: number;
  readonly body: string;
  readonly encoding: string | undefined;
}

/** Asks over https, trusting the machine's own authority alone. */
const ask = (path: string, headers: Readonly<Record<string, string>> = {}, method = 'GET'): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const asked = request(`${address}${path}`, { ca: root, headers, method }, (answer) => {
      let body = '';
      answer.on('data', (d: Buffer) => (body += d.toString()));
      const encoding = answer.headers['content-encoding'];
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, body, encoding }));
    });
    asked.once('error', reject);
    asked.end();
  });

/** The certificate that signed the one the proxy shows; itself signed by the machine's authority. */
const signer = (): Promise<X509Certificate> =>
  new Promise((resolve, reject) => {
    const socket = connect(
      { host: first, port: LAN_PORT, ca: root, checkServerIdentity: () => undefined },
      () => {
        resolve(new X509Certificate(socket.getPeerCertificate(true).issuerCertificate.raw));
        socket.destroy();
      },
    );
    socket.once('error', reject);
  });

beforeAll(async () => {
  await buildIfNeeded();
  const named = first === 'localhost' ? ['--name', 'localhost'] : [];
  house = new StartedHouse(4394, ['--lan', '--lan-port', String(LAN_PORT), ...named]);
  await house.begin();
  root = await (await fetch(`${trust}/rubrica.crt`)).text();
  const spki = (await signer()).publicKey.export({ type: 'spki', format: 'der' });
  browser = await chromium.launch({
    executablePath: needProgram('chromium', 'chromium'),
    args: [
      ...CHROMIUM_ARGS,
      // As a tablet that was told to trust this authority and no other.
      `--ignore-certificate-errors-spki-list=${createHash('sha256').update(spki).digest('base64')}`,
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
    ],
  });
});
afterAll(async () => {
  await browser.close();
  await house.remove();
});

test('over plain http nothing is served but the reason and the way to trust', async () => {
  for (const path of ['/', '/rack', '/api/health', '/api/command']) {
    const answer = await fetch(`${trust}${path}`);
    const page = await answer.text();
    expect(answer.status).toBe(403);
    expect(page).toContain('Over plain http nothing is served');
    expect(page).toContain(new X509Certificate(root).fingerprint256);
    expect(page).not.toMatch(/code=|[A-Z0-9]{4}-[A-Z0-9]{4}-[A-Z0-9]{4}/);
  }
  expect(house.said).toContain(new X509Certificate(root).fingerprint256);
  expect(house.said).toContain(`${address}/pair?code=`);
});

test('whoever does not trust the machine is told by their own side; whoever does is served', async () => {
  await expect(fetch(`${address}/api/health`)).rejects.toThrow();
  expect(await ask('/api/health')).toMatchObject({ status: 200, body: '{"ok":true}' });
});

test('what goes to a tablet goes small, by the proxy alone', async () => {
  const small = { 'accept-encoding': 'gzip' };
  const page = await ask('/pair', small);
  expect([page.status, page.encoding]).toEqual([200, 'gzip']);
  const straight = await fetch(`${house.base}/pair`, { headers: small });
  expect([straight.status, straight.headers.get('content-encoding')]).toEqual([200, null]);
});

test('what a tablet says of its own way is not believed', async () => {
  const code = /pair\?code=([\w-]+)/.exec(house.said)?.[1] ?? '';
  const pair = (headers: Readonly<Record<string, string>>) =>
    fetch(`${house.base}/api/pair`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', ...headers },
      body: JSON.stringify({ code, name: 'not ours' }),
    });
  // Straight to the application, as another program on this machine could: without the proxy's token it stays what it is.
  const forged = await pair({
    origin: 'https://evil.example',
    'x-forwarded-host': 'evil.example',
    'x-forwarded-proto': 'https',
  });
  expect(forged.status).toBe(403);
  expect((await ask('/pair', { 'x-forwarded-host': 'evil.example' })).status).toBe(200);
});

test('a tablet pairs by what the start shows, has a microphone, keeps its cookie to https and its pages without a network', async () => {
  const context = await browser.newContext({ permissions: ['microphone'] });
  const page = await context.newPage();
  await page.goto(/https:\S+\/pair\?code=\S+/.exec(house.said)?.[0] ?? '');
  expect(await page.evaluate(() => window.isSecureContext)).toBe(true);
  await page.getByRole('button', { name: 'Pair' }).click();
  await page.waitForURL('**/sign-in**');
  const cookies = await context.cookies();
  expect(cookies.length).toBeGreaterThan(0);
  expect(cookies.every((c) => c.secure && c.httpOnly)).toBe(true);
  const heard = await page.evaluate(async () => {
    const stream = await navigator.mediaDevices.getUserMedia({ audio: true });
    const tracks = stream.getAudioTracks().length;
    for (const t of stream.getTracks()) t.stop();
    return tracks;
  });
  expect(heard).toBe(1);

  // Without the network: what it showed last is there, loaded again.
  await page.getByRole('button', { name: /Owner/ }).click();
  await page.getByLabel(/^PIN/).fill(/owner's PIN is (\d+)/.exec(house.said)?.[1] ?? '');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL('**/rack');
  // What the house says at the moment is neither held back nor made smaller.
  const said = await page.evaluate(async () => {
    const stream = await fetch('/api/events');
    const first = await stream.body?.getReader().read();
    return [stream.status, stream.headers.get('content-encoding'), (first?.value?.length ?? 0) > 0];
  });
  expect(said).toEqual([200, null, true]);
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await page.reload();
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.waitForFunction(async () =>
    (await (await caches.open('pages')).keys()).some((r) => new URL(r.url).pathname === '/rack'),
  );
  await context.setOffline(true);
  await page.reload();
  await page.getByText('No connection to the shop.').waitFor();
  await page.getByRole('navigation', { name: 'Places' }).waitFor();
  await context.close();
});

test.runIf(LONG)('the proxy is killed: it is there again with the same certificate', async () => {
  const pid = house.pidOf('proxy');
  process.kill(pid, 'SIGKILL');
  await house.until('another proxy', () => house.said.includes('the proxy is up again'));
  expect(await ask('/api/health')).toMatchObject({ status: 200 });
  expect(await (await fetch(`${trust}/rubrica.crt`)).text()).toBe(root);
});
