/** Two shops on one machine: each by its own name, with a record, people and secrets of its own, and nothing of one is in the other. */
import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { get } from 'node:http';
import { request } from 'node:https';
import { basename, join } from 'node:path';
import { buildIfNeeded } from '../../cli/base/build.ts';
import { lanAddresses } from '../../cli/lan/addresses.ts';
import { visit } from './crowd-house.ts';
import { StartedHouse } from './started-house.ts';
import { LONG } from '../../src/runs-for-tests.ts';

const LAN_PORT = 4473;
const NORTH = 'north.example';
const first = lanAddresses(null)?.first ?? 'localhost';

let house: StartedHouse;
let root = '';
let begun = '';

/** The one command, about this house. */
const rubrica = (...words: string[]): string =>
  execFileSync(join(process.cwd(), 'rubrica'), words, {
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'pipe'],
  });

interface Asked {
  readonly cookie?: string;
  readonly body?: unknown;
}
interface Answer {
  readonly status: number;
  readonly text: string;
  readonly cookies: readonly string[];
}

/** Asks a shop by its name, as a tablet does that finds this machine under it. */
const ask = (host: string, path: string, { cookie = '', body }: Asked = {}): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const asked = request(
      {
        host: first,
        port: LAN_PORT,
        path,
        ca: root,
        ...(host !== first && { servername: host }),
        method: body === undefined ? 'GET' : 'POST',
        headers: {
          Host: `${host}:${LAN_PORT}`,
          origin: `https://${host}:${LAN_PORT}`,
          cookie,
          ...(body !== undefined && { 'Content-Type': 'application/json' }),
        },
      },
      (answer) => {
        let text = '';
        answer.on('data', (d: Buffer) => (text += d.toString()));
        answer.on('end', () =>
          resolve({
            status: answer.statusCode ?? 0,
            text,
            cookies: (answer.headers['set-cookie'] ?? []).map((c) => c.split(';')[0] ?? ''),
          }),
        );
      },
    );
    asked.once('error', reject);
    asked.end(body === undefined ? undefined : JSON.stringify(body));
  });

const codeOf = (host: string): string =>
  new RegExp(`https://${host.replaceAll('.', '\\.')}:${LAN_PORT}/pair\\?code=([\\w-]+)`).exec(
    house.said,
  )?.[1] ?? '';
const pinIn = (words: string): string => /owner's PIN is (\d+)/.exec(words)?.[1] ?? '';

/** Its owner at a tablet of that shop; answers the cookie. */
async function ownerOf(host: string, pin: string): Promise<string> {
  const paired = await ask(host, '/api/pair', { body: { code: codeOf(host), name: 'tablet' } });
  expect(paired.status, paired.text).toBe(200);
  const device = paired.cookies.join('; ');
  const signed = await ask(host, '/api/session', { cookie: device, body: { personId: 1, pin } });
  expect(signed.status, signed.text).toBe(200);
  return [device, ...signed.cookies].join('; ');
}

const give = (host: string, cookie: string, name: string, input: unknown) =>
  ask(host, '/api/command', { cookie, body: { id: randomUUID(), name, input } });

beforeAll(async () => {
  await buildIfNeeded();
  const named = first === 'localhost' ? ['--name', 'localhost'] : [];
  house = new StartedHouse(4398, ['--lan', '--lan-port', String(LAN_PORT), ...named]);
  begun = execFileSync('sh', ['-c', `./rubrica shop add north --host ${NORTH} 2>&1`], { encoding: 'utf8' });
  await house.begin();
  root = await (await fetch(`http://${first}:${LAN_PORT + 37}/rubrica.crt`)).text();
});
afterAll(async () => {
  await house.remove();
});

test.runIf(LONG)(
  'each is reached by its own name, with its own people; nothing of one is seen, opened or found in the other',
  async () => {
    expect(rubrica('shop', 'list')).toMatch(/^north\s+north\.example\s+port 4600/);
    const [here, north] = [await ownerOf(first, pinIn(house.said)), await ownerOf(NORTH, pinIn(begun))];
    const taken = await give(
      NORTH,
      north,
      'desk.take-in',
      visit('ONLY-NORTH', { name: 'Only Of North', email: '' }),
    );
    const { jobId, number } = (JSON.parse(taken.text) as { value: { jobId: number; number: number } }).value;
    const link = await give(NORTH, north, 'work.link', { jobId, purpose: 'sheet' });
    const { token } = (JSON.parse(link.text) as { value: { token: string } }).value;

    expect((await ask(NORTH, '/rack', { cookie: north })).text).toContain('Only Of North');
    const rack = await ask(first, '/rack', { cookie: here });
    expect(rack.status).toBe(200);
    expect(rack.text).not.toContain('Only Of North');
    expect((await ask(NORTH, `/job/${number}/work`, { cookie: north })).text).toContain('ONLY-NORTH');
    expect((await ask(first, `/job/${number}/work`, { cookie: here })).text).not.toContain('ONLY-NORTH');
    expect((await ask(NORTH, `/sheet/${token}`)).text).toContain('ONLY-NORTH');
    expect((await ask(first, `/sheet/${token}`)).text).not.toContain('ONLY-NORTH');

    // Who is somebody in one is nobody in the other.
    expect((await ask(first, '/rack', { cookie: north })).status).not.toBe(200);
    const foreign = await give(first, north, 'work.link', { jobId, purpose: 'sheet' });
    expect(foreign.status).toBe(401);
    expect((await give(NORTH, here, 'work.link', { jobId, purpose: 'sheet' })).status).toBe(401);
  },
);

test.runIf(LONG)('a pairing code, a name and a way in of one are good for nothing at the other', async () => {
  const code = /[A-Z0-9]{4}-[A-Z0-9]{4}(-[A-Z0-9]{4})*/.exec(rubrica('pair', '--shop', 'north'))?.[0] ?? '';
  expect(code).not.toBe('');
  expect((await ask(first, '/api/pair', { body: { code, name: 'x' } })).status).not.toBe(200);
  expect((await ask(NORTH, '/api/pair', { body: { code, name: 'x' } })).status).toBe(200);
  // Straight to its application under the other's name, or under nobody's.
  for (const host of [`${first}:${LAN_PORT}`, 'elsewhere.example']) {
    const status = await new Promise<number>((resolve, reject) => {
      const asked = get(
        { host: '127.0.0.1', port: 4600, path: '/rack', headers: { Host: host } },
        (answer) => {
          answer.resume();
          resolve(answer.statusCode ?? 0);
        },
      );
      asked.once('error', reject);
    });
    expect([host, status]).toEqual([host, 421]);
  }
  await expect(ask('elsewhere.example', '/rack')).rejects.toThrow();
});

test.runIf(LONG)('each has a database, a secret and copies of its own', async () => {
  const north = join(house.folder, 'shops/north');
  const kept = (file: string) => [house.folder, north].map((f) => readFileSync(join(f, file), 'utf8').trim());
  for (const file of ['secret', 'proxy-token', 'database/credentials.json']) {
    const [ours, theirs] = kept(file);
    expect(ours).not.toBe(theirs);
  }
  const said = execFileSync('sh', ['-c', './rubrica backup --shop north 2>&1'], { encoding: 'utf8' });
  const [, copy = ''] = /copied: (\S+)/.exec(said) ?? [];
  expect(copy).toContain(`${join(north, 'copies')}/`);
  expect(existsSync(copy)).toBe(true);
  // At night each makes one of its own besides; what is named as this one is, is not among ours.
  expect(existsSync(join(house.folder, 'copies', basename(copy)))).toBe(false);
  expect(JSON.parse(rubrica('verify', '--json'))).toMatchObject({ broken: [] });
});

test.runIf(LONG)(
  'one that is killed comes again, without the other noticing; one that is taken out is kept aside',
  async () => {
    const pid = Number(
      (JSON.parse(readFileSync(join(house.folder, 'shops/north/shop.json'), 'utf8')) as { name: string }).name
        .split('-')
        .at(0),
    );
    process.kill(pid, 'SIGKILL');
    await house.until('the other serves again', () => house.said.includes('the shop north is up again'));
    expect((await ask(NORTH, '/api/health')).status).toBe(200);
    expect((await ask(first, '/api/health')).status).toBe(200);
    expect(() => rubrica('shop', 'remove', 'north')).toThrow('stop it first');
    await house.stop();
    rubrica('shop', 'remove', 'north');
    expect(readdirSync(join(house.folder, 'shops'))).toEqual([]);
    const [aside = ''] = readdirSync(join(house.folder, 'shops-removed'));
    expect(existsSync(join(house.folder, 'shops-removed', aside, 'secret'))).toBe(true);
  },
);
