import { spawn } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { setPriority } from 'node:os';
import { join } from 'node:path';
import { fillEmptyShop } from '../../src/demo/fill-empty-shop.ts';
import { openDatabase } from '../../src/server/db/connection.ts';
import { migrate } from '../../src/server/db/migrate.ts';
import { buildIfNeeded } from '../base/build.ts';
import { asRunning } from '../base/database-accounts.ts';
import { ensureDatabase } from '../base/databases.ts';
import { LastWords } from '../base/last-words.ts';
import type { Options } from '../base/options.ts';
import { needProgram } from '../base/packages.ts';
import { ROOT } from '../base/paths.ts';
import { startDatabase, type PrivateDatabase } from '../base/private-database.ts';
import { say, Trouble } from '../base/say.ts';
import { endServer, serve } from '../base/serve.ts';
import { demoDatabase, forgetToldDemo } from '../base/told-demo.ts';

const KINDS = ['check', 'unit', 'integration', 'screens', 'together', 'e2e'] as const;
type Kind = (typeof KINDS)[number];
/**
 * What runs one after the other, and which of these beside each other: those of real processes mostly wait for what they kill, those
 * of the database for it; the rest fills what they leave.
 */
const CHAINS: readonly (readonly Kind[])[] = [['together'], ['integration', 'screens'], ['check', 'unit']];
/** The browser tests want the machine alone. */
const ALONE: Kind = 'e2e';
const WANT_THE_BUILD: readonly Kind[] = ['together', 'e2e'];

const SECRET = 'only for the tests';
/** Tests make much that nobody needs a moment later: with room for it, the processor spends a twentieth less on clearing up. */
const ROOM = '--max-semi-space-size=64';

/** Runs a program and shows what it says, keeping the end of it for the summary. */
function runProgram(
  words: LastWords,
  command: string,
  args: readonly string[],
  env: Readonly<Record<string, string>> = {},
  nice = 0,
): Promise<boolean> {
  return new Promise((resolve) => {
    const path = `${join(ROOT, 'node_modules/.bin')}:${process.env['PATH'] ?? ''}`;
    const child = spawn(command, args, {
      cwd: ROOT,
      stdio: ['inherit', 'pipe', 'pipe'],
      env: {
        ...process.env,
        ...(process.stdout.isTTY ? { FORCE_COLOR: '1' } : {}),
        NODE_OPTIONS: `${ROOM} ${process.env['NODE_OPTIONS'] ?? ''}`,
        ...env,
        PATH: path,
      },
    });
    if (nice > 0 && child.pid !== undefined) setPriority(child.pid, nice);
    for (const from of ['stdout', 'stderr'] as const)
      child[from].on('data', (chunk: Buffer) => {
        words.add(chunk.toString());
        process[from].write(chunk);
      });
    child.once('error', () => resolve(false));
    child.once('close', (code) => resolve(code === 0));
  });
}

const vitest = (words: LastWords, mode: Kind | 'architecture', env: Readonly<Record<string, string>> = {}) =>
  runProgram(words, 'vitest', ['run', '--mode', mode], { TZ: 'UTC', RUBRICA_SECRET: SECRET, ...env });

interface TestServer {
  readonly server: PrivateDatabase;
  /** when nothing of the demo shop was told on it yet */
  readonly since: number;
}

/** A demo shop told so long ago is still one of now. */
const STILL_NOW_MS = 30 * 60_000;
const sameDay = (a: number, b: number): boolean =>
  new Date(a).toISOString().slice(0, 10) === new Date(b).toISOString().slice(0, 10);

async function startTestServer(): Promise<TestServer> {
  const server = await startDatabase('test-database', { lasts: false });
  await forgetToldDemo((name) => server.url(name));
  return { server, since: Date.now() };
}

async function freshDatabase(server: PrivateDatabase, name: string): Promise<string> {
  const admin = openDatabase(server.url('information_schema'));
  await admin.sequelize.query(`DROP DATABASE IF EXISTS \`${name}\``);
  await admin.sequelize.close();
  return ensureDatabase(server, name);
}

/**
 * The browser tests in lanes of about the same length, each on a demo shop of its own: one keeps one core and a little more; what
 * stands in none of them is in the last.
 */
const LANES: readonly (readonly string[])[] = [
  [
    'care',
    'checklists',
    'custody',
    'desk',
    'doors',
    'edits',
    'exchange',
    'history',
    'inspection',
    'keyboard',
    'life',
    'offline',
    'people',
    'photos',
    'plan',
    'practice',
    'still',
    'story',
  ],
  [],
];

/** Heard as fast as it is played: all other lanes give way to it, so that a busy machine loses no sound. */
const LISTENING = ['ear'];
const GIVES_WAY = 10;

/** Tried on a shop that begins empty, after what listens. */
const EMPTY_HOUSE = ['first-day'];

interface Lane {
  readonly url: string;
  /** one process of the application each */
  readonly ports: readonly number[];
  readonly files: readonly string[];
  /** the PIN of the owner of an empty shop */
  readonly pin?: string;
  /** how far it gives way to others */
  readonly nice?: number;
}

/** One lane: where it has two ports, two processes on one database, so that live updates are proved across processes. */
async function runLane(
  words: LastWords,
  { url, ports, files, pin = '', nice = GIVES_WAY }: Lane,
  only: string,
): Promise<boolean> {
  const env = { RUBRICA_DATABASE_URL: asRunning(url), RUBRICA_SECRET: SECRET };
  const hears = (said: Buffer): void => void process.stderr.write(said);
  const began = (pid: number): void => setPriority(pid, nice);
  const serving = await Promise.all(ports.map((port) => serve(port, env, 'start', hears, began)));
  try {
    const chosen = [...files, ...(only === '' ? [] : ['--grep', only, '--pass-with-no-tests'])];
    const where = {
      RUBRICA_E2E_A: `http://127.0.0.1:${ports[0]}`,
      RUBRICA_E2E_B: `http://127.0.0.1:${ports.at(-1)}`,
      RUBRICA_E2E_DATABASE: url,
      RUBRICA_E2E_PIN: pin,
    };
    const args = ['test', ...chosen, `--output=test-results/${ports[0]}`];
    return await runProgram(words, 'playwright', args, where, nice);
  } finally {
    for (const one of serving) await endServer(one);
  }
}

/** A shop of one's own, from its first day on. */
async function emptyLane(words: LastWords, server: PrivateDatabase, only: string): Promise<boolean> {
  const url = await freshDatabase(server, 'rubrica_e2e_empty');
  const db = openDatabase(url);
  await migrate(db.sequelize);
  const pin = await fillEmptyShop(db);
  await db.sequelize.close();
  return runLane(words, { url, ports: [4389], files: EMPTY_HOUSE.map(fileOf), pin }, only);
}

const fileOf = (name: string): string => `tests/e2e/${name}.spec.ts`;

const specs = (): readonly string[] =>
  readdirSync(join(ROOT, 'tests/e2e'))
    .filter((f) => f.endsWith('.spec.ts'))
    .map((f) => f.slice(0, -'.spec.ts'.length))
    .sort();

/** Translates the tests once: lanes that begin beside each other would each do it. */
const translate = (): Promise<void> =>
  new Promise((resolve) => {
    const nowhere = { RUBRICA_E2E_A: '-', RUBRICA_E2E_B: '-', RUBRICA_E2E_DATABASE: '-' };
    const playwright = join(ROOT, 'node_modules/@playwright/test/cli.js');
    spawn(process.execPath, [playwright, 'test', '--list'], {
      cwd: ROOT,
      stdio: 'ignore',
      env: { ...process.env, ...nowhere },
    }).once('close', () => resolve());
  });

/** Every browser test, in lanes beside each other; the demo is told once and copied. */
async function endToEnd(words: LastWords, { server, since }: TestServer, only: string): Promise<boolean> {
  needProgram('chromium', 'chromium');
  needProgram('chromium-headless-shell', 'chromium-headless-shell');
  process.env['RUBRICA_SECRET'] = SECRET;
  const urlOf = (name: string): string => server.url(name);
  // What the demo shop says of today is of now, not of long before these tests began.
  if (Date.now() - since > STILL_NOW_MS || !sameDay(since, Date.now())) await forgetToldDemo(urlOf);
  const [light] = await Promise.all([
    buildIfNeeded().then(() => runProgram(words, 'npm', ['run', '--silent', 'scripts'])),
    demoDatabase(urlOf, 'rubrica_e2e_ear'),
    translate(),
  ]);
  const named = new Set([...LANES.flat(), ...LISTENING, ...EMPTY_HOUSE]);
  const rest = specs().filter((s) => !named.has(s));
  const lanes: Lane[] = [];
  for (const [i, own] of LANES.entries()) {
    const shop = await demoDatabase(urlOf, `rubrica_e2e_${i + 1}`);
    const files = [...own, ...(i === LANES.length - 1 ? rest : [])].map(fileOf);
    const port = 4401 + 2 * i;
    // What another process writes is seen the same way whatever it is: each time the first lane shows it, by `--long` all.
    const isOverTwo = i === 0 || process.env['RUBRICA_LONG'] === 'yes';
    lanes.push({ url: shop, ports: isOverTwo ? [port, port + 1] : [port], files });
  }
  const listening: Lane = {
    url: urlOf('rubrica_e2e_ear'),
    ports: [4391],
    files: LISTENING.map(fileOf),
    nice: 0,
  };
  const heard = runLane(words, listening, only);
  const after = heard.then(() => emptyLane(words, server, only));
  const passed = await Promise.all([...lanes.map((lane) => runLane(words, lane, only)), heard, after]);
  return light && passed.every(Boolean);
}

async function runKind(
  kind: Kind,
  words: LastWords,
  server: () => Promise<TestServer>,
  only: string,
): Promise<boolean> {
  switch (kind) {
    case 'check':
      // The rules are shown to be alive by breaking each in the sources: after these were checked.
      return (await runProgram(words, 'npm', ['run', '--silent', 'check'])) && vitest(words, 'architecture');
    case 'unit':
      return vitest(words, 'unit');
    case 'integration':
    case 'screens': {
      const { url } = (await server()).server;
      return vitest(words, kind, { RUBRICA_TEST_SERVER: url('{database}') });
    }
    case 'together':
      await buildIfNeeded();
      return vitest(words, 'together');
    case 'e2e':
      return endToEnd(words, await server(), only);
  }
}

async function runKinds(kinds: readonly Kind[], only: string): Promise<number> {
  const started: Promise<TestServer>[] = [];
  const server = (): Promise<TestServer> => {
    const [first = startTestServer()] = started;
    if (started.length === 0) started.push(first);
    return first;
  };
  const results: string[] = [];
  const failures: (readonly [Kind, LastWords])[] = [];
  const again: string[] = [];
  try {
    const one = async (kind: Kind): Promise<void> => {
      say(`${kind} …`);
      const began = Date.now();
      const words = new LastWords();
      const good = await runKind(kind, words, server, only).catch((e: unknown) => {
        const said = `${e instanceof Error ? (e.stack ?? e.message) : String(e)}\n`;
        words.add(said);
        process.stderr.write(said);
        return false;
      });
      if (good) again.push(...words.failedOnce());
      else failures.push([kind, words]);
      results.push(`${good ? 'ok  ' : 'FAIL'} ${kind} (${((Date.now() - began) / 1000).toFixed(0)} s)`);
    };
    // One that fails is tried again, and said, by who wants it.
    const built = kinds.some((k) => WANT_THE_BUILD.includes(k))
      ? buildIfNeeded().catch(() => undefined)
      : Promise.resolve();
    const oneAfterTheOther = async (chain: readonly Kind[]): Promise<void> => {
      for (const kind of chain.filter((k) => kinds.includes(k))) {
        if (WANT_THE_BUILD.includes(kind)) await built;
        await one(kind);
      }
    };
    await Promise.all(CHAINS.map(oneAfterTheOther));
    await oneAfterTheOther([ALONE]);
  } finally {
    for (const s of started) await (await s).server.stop();
  }
  for (const [kind, words] of failures) process.stdout.write(`\n── the end of ${kind} ──\n${words.tail()}\n`);
  for (const [kind, words] of failures)
    process.stdout.write(`\n── failed in ${kind} ──\n${words.named().join('\n')}\n`);
  if (again.length > 0)
    process.stdout.write(`\n── passed only at a second try: look into these ──\n${again.join('\n')}\n`);
  const verdict = failures.length > 0 ? 'Something failed.' : 'Everything passed.';
  process.stdout.write(`\n${results.join('\n')}\n${verdict}\n`);
  return failures.length > 0 ? 1 : 0;
}

/** Runs every check and tests every rule, by `--long` by every way and at length, or the kinds named; ends with a summary and fails when one did. */
export function run(o: Options): Promise<number> {
  if (o.long) process.env['RUBRICA_LONG'] = 'yes';
  const named = o.rest as readonly Kind[];
  const wrong = named.find((k) => !KINDS.includes(k));
  if (wrong !== undefined)
    throw new Trouble(`there is no kind of test called ${String(wrong)}: ${KINDS.join(', ')}`);
  return runKinds(named.length > 0 ? named : KINDS, o.only);
}
