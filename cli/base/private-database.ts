import { execFile, spawn } from 'node:child_process';
import { chownSync, existsSync, mkdirSync, openSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { createServer, connect } from 'node:net';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import {
  addressOf,
  hasAccounts,
  keepCredentials,
  newCredentials,
  readCredentials,
  writeAtStart,
  type Credentials,
} from './database-accounts.ts';
import { databasePlace, type DatabasePlace } from './database-place.ts';
import { needProgram } from './packages.ts';
import { enter, leave, users, withLock } from './processes.ts';
import { say, Trouble } from './say.ts';

const execFileAsync = promisify(execFile);

export interface PrivateDatabase {
  readonly url: (database: string) => string;
  readonly pid: number;
  /** leaves it; the last process of this checkout to leave ends it */
  readonly stop: () => Promise<void>;
}

const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });

const answers = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const socket = connect({ port, host: '127.0.0.1' });
    const end = (yes: boolean) => {
      socket.destroy();
      resolve(yes);
    };
    socket.once('data', () => end(true));
    socket.once('error', () => end(false));
    // A server that ends meanwhile closes it without a word.
    socket.once('close', () => end(false));
    socket.setTimeout(5000, () => end(false));
  });

/** The pid of our own server on this place, or null. Another program with a recycled number is not ours. */
export function runningServer(place: DatabasePlace): number | null {
  // An older release kept its number beside the data.
  for (const file of [join(place.data, 'server.pid'), join(place.folder, 'server.pid')]) {
    try {
      const pid = Number(readFileSync(file, 'utf8').trim());
      const args = readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0');
      if (args.includes(`--datadir=${place.data}`)) return pid;
    } catch {
      // not this one
    }
  }
  return null;
}

const usersOf = (place: DatabasePlace): string => join(place.folder, 'users');

/** Whether another process of this checkout uses the database now. */
export const isUsed = (place: DatabasePlace): boolean => users(usersOf(place)).length > 0;

/** Makes the data folder beside its place and moves it there whole: one that was begun and never finished is no data. */
async function install(place: DatabasePlace): Promise<void> {
  say('preparing a private MariaDB …');
  const program = needProgram('mariadb-install-db', 'mariadb-server');
  const half = join(dirname(place.data), 'data.begun');
  rmSync(half, { recursive: true, force: true });
  mkdirSync(half, { mode: 0o700 });
  if (place.account) chownSync(half, place.account.uid, place.account.gid);
  await execFileAsync(
    program,
    [
      '--no-defaults',
      `--datadir=${half}`,
      `--tmpdir=${place.temporary}`,
      '--auth-root-authentication-method=socket',
      '--skip-test-db',
      ...(place.account ? [`--user=${place.account.name}`] : []),
    ],
    { encoding: 'utf8', cwd: '/' },
  ).catch((error: { stderr?: string; stdout?: string }) => {
    throw new Trouble(`MariaDB could not make its data folder:\n${error.stderr ?? ''}${error.stdout ?? ''}`);
  });
  renameSync(half, place.data);
}

async function awaitEnd(pid: number): Promise<void> {
  for (let i = 0; i < 600; i++) {
    if (!existsSync(`/proc/${pid}`)) return;
    await new Promise((r) => setTimeout(r, 50));
  }
  throw new Trouble(`MariaDB (process ${pid}) does not end.`);
}

async function end(place: DatabasePlace): Promise<boolean> {
  const pid = runningServer(place);
  if (pid === null) return false;
  process.kill(pid, 'SIGTERM');
  await awaitEnd(pid);
  return true;
}

const locked = <T>(place: DatabasePlace, f: () => Promise<T>): Promise<T> =>
  withLock(join(place.folder, 'lock'), f);

/** Ends our own server on a place when no command of this checkout uses it. */
export const stopServer = (place: DatabasePlace): Promise<boolean> =>
  locked(place, () => (isUsed(place) ? Promise.resolve(false) : end(place)));

/** What a power cut does to data that is thrown away anyway matters to nobody: it is not waited for. */
const NEED_NOT_LAST = [
  '--innodb-flush-log-at-trx-commit=0',
  '--innodb-flush-method=nosync',
  '--innodb-doublewrite=0',
  '--sync-frm=0',
] as const;

function programArguments(place: DatabasePlace, port: number, lasts: boolean): readonly string[] {
  return [
    '--no-defaults',
    `--datadir=${place.data}`,
    `--tmpdir=${place.temporary}`,
    '--socket=server.sock',
    `--pid-file=${join(place.data, 'server.pid')}`,
    '--bind-address=127.0.0.1',
    `--port=${port}`,
    '--character-set-server=utf8mb4',
    '--collation-server=utf8mb4_unicode_ci',
    '--default-time-zone=+00:00',
    '--sql-mode=STRICT_ALL_TABLES,NO_ZERO_DATE,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION',
    ...(lasts ? ['--innodb-flush-log-at-trx-commit=1'] : NEED_NOT_LAST),
    // Commands hold a row for milliseconds: whoever waits seconds should try again rather than hang.
    '--innodb-lock-wait-timeout=5',
    '--skip-name-resolve',
    // SQL reads and writes no files of this machine.
    '--local-infile=0',
    `--secure-file-priv=${place.files}`,
    `--init-file=${place.atStart}`,
    ...(place.account ? [`--user=${place.account.name}`] : []),
  ];
}

/** Starts the server on its data and waits until it answers. */
async function launch(place: DatabasePlace, c: Credentials, lasts: boolean): Promise<number> {
  const server = needProgram('mariadbd', 'mariadb-server');
  writeAtStart(place, c);
  const log = openSync(join(place.folder, 'server.log'), 'a', 0o600);
  const child = spawn(server, programArguments(place, c.port, lasts), {
    detached: true,
    stdio: ['ignore', log, log],
    cwd: '/',
  });
  child.unref();
  let ended = false;
  child.once('exit', () => (ended = true));
  try {
    for (let i = 0; i < 600 && !ended; i++) {
      if (await answers(c.port)) return child.pid ?? 0;
      await new Promise((r) => setTimeout(r, 50));
    }
  } finally {
    rmSync(place.atStart, { force: true });
  }
  throw new Trouble(`MariaDB did not start. See ${join(place.folder, 'server.log')}`);
}

const isEmpty = (place: DatabasePlace): boolean => !existsSync(place.data);

/** New credentials over data that is there: an older server still running on it cannot be reached and starts anew. */
async function replaceCredentials(place: DatabasePlace): Promise<Credentials> {
  if (isUsed(place))
    throw new Trouble(
      `${join(place.folder, 'credentials.json')} is missing while a command of this checkout uses the database. Stop it first: ./rubrica stop`,
    );
  if (!isEmpty(place))
    say('the credentials of the database were missing: new ones are made, its data stays as it is');
  await end(place);
  return newCredentials(await freePort());
}

async function joinOrStart(
  place: DatabasePlace,
  lasts: boolean,
): Promise<{ readonly c: Credentials; readonly pid: number }> {
  const known = readCredentials(place.folder);
  const left = runningServer(place);
  if (known && left !== null && (await answers(known.port))) {
    if (hasAccounts(place)) return { c: known, pid: left };
    if (isUsed(place))
      throw new Trouble('an older release uses this database: stop it first (./rubrica stop)');
  }
  if (known && left !== null) await end(place);
  const kept = known ?? (await replaceCredentials(place));
  const c = (await answers(kept.port)) ? { ...kept, port: await freePort() } : kept;
  if (isEmpty(place)) await install(place);
  keepCredentials(place.folder, c);
  return { c, pid: await launch(place, c, lasts) };
}

/**
 * Starts a MariaDB of our own in `.rubrica/<name>`, or joins the one that another command of this checkout started: own
 * data folder, own socket, a loopback port, generated credentials, never as the system's root. Data that is there is
 * never thrown away.
 * @param o.lasts whether what is kept in it must outlast a power cut
 */
export async function startDatabase(
  name: string,
  o: { readonly lasts: boolean } = { lasts: true },
): Promise<PrivateDatabase> {
  needProgram('mariadbd', 'mariadb-server');
  const place = databasePlace(name);
  return locked(place, async () => {
    const { c, pid } = await joinOrStart(place, o.lasts);
    enter(usersOf(place));
    return {
      url: (database) => addressOf(c, database),
      pid,
      stop: () =>
        locked(place, async () => {
          if (leave(usersOf(place))) await end(place);
        }),
    };
  });
}
