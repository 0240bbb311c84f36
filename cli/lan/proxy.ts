import { spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { chownSync, existsSync, mkdirSync, openSync, readFileSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { isReachable, lookUpAccount, passable, type Account } from '../base/database-place.ts';
import { findProgram, needProgram } from '../base/packages.ts';
import { home, privateFolder } from '../base/paths.ts';
import { Trouble } from '../base/say.ts';
import { endServer, hasEnded } from '../base/serve.ts';
import { writeWhole } from '../base/whole-file.ts';
import type { Running } from '../watch/keep-up.ts';
import { KEPT_BY } from '../watch/orphans.ts';
import type { Shop } from '../shops/shops.ts';
import { lanAddresses } from './addresses.ts';
import { caddyfile, isHostName, type ProxyWish } from './caddyfile.ts';
import { trustPage } from './trust-page.ts';

const ACCOUNT = 'caddy';
const SHARED = '/var/lib/rubrica';
/** The page that tells how to trust the machine stands so many ports further. */
const TRUST_BESIDE = 37;
const TOKEN_BYTES = 24;

/** How the tablets reach the house. */
export interface Lan {
  readonly wish: ProxyWish;
  /** the https address that is shown and printed */
  readonly address: string;
  /** where a tablet learns to trust it */
  readonly trustAddress: string;
  readonly account: Account | null;
}

/** What makes the application of a house believe a proxy; made once. */
export function proxyToken(house: string = privateFolder()): string {
  const file = join(house, 'proxy-token');
  if (!existsSync(file)) writeWhole(file, randomBytes(TOKEN_BYTES).toString('hex'));
  return readFileSync(file, 'utf8').trim();
}

/** Where the proxy keeps its authority: in the house, or where its own account can reach it. */
function folderFor(account: Account | null): string {
  const own = join(home(), 'proxy');
  mkdirSync(own, { recursive: true, mode: 0o700 });
  if (account === null || isReachable(own)) return own;
  mkdirSync(SHARED, { recursive: true });
  passable(SHARED);
  return join(SHARED, `proxy-${createHash('sha256').update(home()).digest('hex').slice(0, 12)}`);
}

function makeFolders(folder: string, account: Account | null): void {
  for (const part of ['', 'authority', 'site', 'log']) {
    const path = join(folder, part);
    mkdirSync(path, { recursive: true, mode: 0o700 });
    if (account) chownSync(path, account.uid, account.gid);
  }
}

/** A program of Debian's that starts a service of its own when it is installed: ours alone shall run. */
function needCaddy(): void {
  if (findProgram('caddy')) return;
  needProgram('caddy', 'caddy');
  if (findProgram('systemctl')) spawnSync('systemctl', ['disable', '--now', 'caddy'], { stdio: 'ignore' });
}

/**
 * Works out how tablets will reach the house, and makes the proxy's folders.
 * @throws Trouble where this machine is in no network, or the name is none
 */
export function planLan(
  o: { readonly name: string | undefined; readonly lanPort: number },
  applications: readonly number[],
  further: readonly Shop[],
): Lan {
  if (o.name !== undefined && !isHostName(o.name))
    throw new Trouble(`--name takes a name such as bench.local, not ${o.name}`);
  const addresses = lanAddresses(o.name?.toLowerCase() ?? null);
  if (addresses === null)
    throw new Trouble('this machine is in no network: plug it in, or serve it to itself alone without --lan');
  needCaddy();
  const account = process.getuid?.() === 0 ? lookUpAccount(ACCOUNT) : null;
  const folder = folderFor(account);
  makeFolders(folder, account);
  const trustPort = o.lanPort + TRUST_BESIDE;
  const wish = {
    names: addresses.all,
    port: o.lanPort,
    trustPort,
    applications,
    token: proxyToken(),
    others: further.map((s) => ({ host: s.host, application: s.port, token: proxyToken(s.folder) })),
    folder,
  };
  return {
    wish,
    account,
    address: `https://${addresses.first}:${o.lanPort}`,
    trustAddress: `http://${addresses.first}:${trustPort}`,
  };
}

/** The environment by which the application knows the names it is reached under. */
export const lanEnvironment = ({ wish, address, trustAddress }: Lan): Readonly<Record<string, string>> => ({
  RUBRICA_PUBLIC_URL: process.env['RUBRICA_PUBLIC_URL'] ?? address,
  RUBRICA_HOSTS: wish.names.map((n) => `${n}:${wish.port}`).join(','),
  RUBRICA_PROXY_TOKEN: wish.token,
  RUBRICA_TRUST_URL: trustAddress,
});

/** The same for one of the further shops: it is reached by its own name alone. */
export const shopEnvironment = (
  { wish, trustAddress }: Lan,
  { host }: Shop,
): Readonly<Record<string, string>> => ({
  RUBRICA_PUBLIC_URL: `https://${host}:${wish.port}`,
  RUBRICA_HOSTS: `${host}:${wish.port}`,
  RUBRICA_TRUST_URL: trustAddress,
});

export const rootCertificate = ({ wish }: Lan): string =>
  join(wish.folder, 'authority/pki/authorities/local/root.crt');

const listens = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const socket = connect({ port, host: '127.0.0.1' });
    const end = (yes: boolean) => {
      socket.destroy();
      resolve(yes);
    };
    socket.once('connect', () => end(true));
    socket.once('error', () => end(false));
    socket.once('close', () => end(false));
    socket.setTimeout(2000, () => end(false));
  });

const WAIT_MS = 20_000;
const STEP_MS = 50;

/** Puts the certificate and the page that explains it where the proxy serves them. */
function writeSite(lan: Lan): void {
  const pem = readFileSync(rootCertificate(lan), 'utf8');
  for (const [name, text] of [
    ['rubrica.crt', pem],
    ['trust.html', trustPage(pem, lan.address)],
  ] as const) {
    const path = join(lan.wish.folder, 'site', name);
    writeFileSync(path, text, { mode: 0o644 });
    if (lan.account) chownSync(path, lan.account.uid, lan.account.gid);
  }
}

/** Starts the proxy and waits until it serves and its certificate is made. */
export async function startProxy(lan: Lan, began: (pid: number) => void): Promise<Running> {
  const { folder, port, trustPort } = lan.wish;
  const settings = join(folder, 'Caddyfile');
  writeFileSync(settings, caddyfile(lan.wish), { mode: 0o600 });
  if (lan.account) chownSync(settings, lan.account.uid, lan.account.gid);
  const log = openSync(join(privateFolder('log'), 'proxy-start.log'), 'w', 0o600);
  const env: NodeJS.ProcessEnv = {
    NODE_ENV: 'production',
    PATH: process.env['PATH'] ?? '',
    HOME: folder,
    XDG_DATA_HOME: folder,
    XDG_CONFIG_HOME: folder,
    [KEPT_BY]: home(),
  };
  const child = spawn(
    needProgram('caddy', 'caddy'),
    ['run', '--config', settings, '--adapter', 'caddyfile'],
    {
      stdio: ['ignore', log, log],
      cwd: '/',
      detached: true,
      env,
      ...(lan.account && { uid: lan.account.uid, gid: lan.account.gid }),
    },
  );
  child.once('error', () => undefined);
  if (child.pid !== undefined) began(child.pid);
  for (let waited = 0; waited < WAIT_MS && !hasEnded(child); waited += STEP_MS) {
    if ((await listens(port)) && (await listens(trustPort)) && existsSync(rootCertificate(lan))) {
      writeSite(lan);
      return {
        pid: child.pid ?? 0,
        ended: new Promise((resolve) => (hasEnded(child) ? resolve() : child.once('exit', () => resolve()))),
        end: () => endServer(child),
      };
    }
    await new Promise((r) => setTimeout(r, STEP_MS));
  }
  await endServer(child);
  throw new Trouble(
    `the proxy did not start: see ${join(home(), 'log/proxy-start.log')}. Is port ${port} or ${trustPort} used by another program?`,
  );
}
