import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { fillDemo } from '../../src/demo/fill-demo.ts';
import { openDatabase } from '../../src/server/db/connection.ts';
import { migrate } from '../../src/server/db/migrate.ts';
import { makePairingCode } from '../../src/server/people/pair-device.ts';
import { buildIfNeeded } from '../base/build.ts';
import { ensureDatabase } from '../base/house.ts';
import type { Options } from '../base/options.ts';
import { needProgram } from '../base/packages.ts';
import { ROOT } from '../base/paths.ts';
import { startDatabase, type PrivateDatabase } from '../base/private-database.ts';
import { say, Trouble } from '../base/say.ts';
import { endServer, serve } from '../base/serve.ts';

const KINDS = ['check', 'unit', 'integration', 'together', 'e2e'] as const;
type Kind = (typeof KINDS)[number];
/** What may run beside each other: the checks want a processor, the integration tests mostly wait for the database. */
const STAGES: readonly (readonly Kind[])[] = [['check', 'integration'], ['unit'], ['together'], ['e2e']];

const SECRET = 'only for the tests';
const PORTS = [4381, 4382] as const;
const PAIRINGS = 200;

function runProgram(
  command: string,
  args: readonly string[],
  env: Readonly<Record<string, string>> = {},
): Promise<boolean> {
  return new Promise((resolve) => {
    const path = `${join(ROOT, 'node_modules/.bin')}:${process.env['PATH'] ?? ''}`;
    const child = spawn(command, args, {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, ...env, PATH: path },
    });
    child.once('error', () => resolve(false));
    child.once('exit', (code) => resolve(code === 0));
  });
}

const jest = (project: string, env: Readonly<Record<string, string>> = {}, ...more: string[]) =>
  runProgram('jest', ['--selectProjects', project, '--ci', ...more], {
    NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
    RUBRICA_SECRET: SECRET,
    ...env,
  });

async function freshDatabase(server: PrivateDatabase, name: string): Promise<string> {
  const admin = openDatabase(server.url('information_schema'));
  await admin.sequelize.query(`DROP DATABASE IF EXISTS \`${name}\``);
  await admin.sequelize.close();
  return ensureDatabase(server, name);
}

/** Two processes of the application on one database, so that live updates are proved across processes. */
async function endToEnd(server: PrivateDatabase, only: string): Promise<boolean> {
  needProgram('chromium', 'chromium');
  process.env['RUBRICA_SECRET'] = SECRET;
  const [url] = await Promise.all([freshDatabase(server, 'rubrica_e2e'), buildIfNeeded()]);
  const db = openDatabase(url);
  await migrate(db.sequelize);
  say('loading the demo shop for the browser tests …');
  await fillDemo(db, new Date());
  const code = await makePairingCode(db, new Date(), PAIRINGS);
  await db.sequelize.close();
  const env = { RUBRICA_DATABASE_URL: url, RUBRICA_SECRET: SECRET };
  const [a, b] = await Promise.all(PORTS.map((port) => serve(port, env)));
  try {
    return await runProgram('playwright', ['test', ...(only === '' ? [] : ['--grep', only])], {
      RUBRICA_E2E_A: `http://127.0.0.1:${PORTS[0]}`,
      RUBRICA_E2E_B: `http://127.0.0.1:${PORTS[1]}`,
      RUBRICA_E2E_CODE: code,
      RUBRICA_E2E_DATABASE: url,
    });
  } finally {
    if (a) await endServer(a);
    if (b) await endServer(b);
  }
}

async function runKind(kind: Kind, server: () => Promise<PrivateDatabase>, only: string): Promise<boolean> {
  switch (kind) {
    case 'check':
      return runProgram('npm', ['run', '--silent', 'check']);
    case 'unit':
      return jest('unit');
    case 'integration': {
      const { url } = await server();
      return jest('integration', { RUBRICA_TEST_SERVER: url('{database}') }, '--runInBand');
    }
    case 'together':
      await buildIfNeeded();
      return jest('together', {}, '--runInBand');
    case 'e2e':
      return endToEnd(await server(), only);
  }
}

async function runKinds(kinds: readonly Kind[], only: string): Promise<number> {
  const started: Promise<PrivateDatabase>[] = [];
  const server = (): Promise<PrivateDatabase> => {
    const [first = startDatabase('test-database')] = started;
    if (started.length === 0) started.push(first);
    return first;
  };
  const results: string[] = [];
  let failed = false;
  try {
    const one = async (kind: Kind): Promise<void> => {
      say(`${kind} …`);
      const began = Date.now();
      const good = await runKind(kind, server, only).catch((e: unknown) => {
        process.stderr.write(`${e instanceof Error ? (e.stack ?? e.message) : String(e)}\n`);
        return false;
      });
      failed ||= !good;
      results.push(`${good ? 'ok  ' : 'FAIL'} ${kind} (${((Date.now() - began) / 1000).toFixed(0)} s)`);
    };
    for (const beside of STAGES) await Promise.all(kinds.filter((k) => beside.includes(k)).map(one));
  } finally {
    for (const s of started) await (await s).stop();
  }
  process.stdout.write(`\n${results.join('\n')}\n${failed ? 'Something failed.' : 'Everything passed.'}\n`);
  return failed ? 1 : 0;
}

/** Runs every check and test, or the kinds named; ends with a summary and fails when one did. */
export function run(o: Options): Promise<number> {
  const named = o.rest as readonly Kind[];
  const wrong = named.find((k) => !KINDS.includes(k));
  if (wrong !== undefined)
    throw new Trouble(`there is no kind of test called ${String(wrong)}: ${KINDS.join(', ')}`);
  return runKinds(named.length > 0 ? named : KINDS, o.only);
}
