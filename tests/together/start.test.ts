/** `./rubrica start` keeps the house up: whatever of it is killed, the start itself too, it is there again. */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildIfNeeded } from '../../cli/base/build.ts';
import { databasePlace } from '../../cli/base/database-place.ts';
import { runningServer } from '../../cli/base/private-database.ts';

const PORT = 4393;
const BASE = `http://127.0.0.1:${PORT}`;
const LONG = 120_000;
const before = process.env['RUBRICA_HOME'];

let folder = '';
let start: ChildProcess;
let said = '';

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

async function until(what: string, holds: () => boolean | Promise<boolean>): Promise<number> {
  const began = Date.now();
  while (Date.now() - began < LONG) {
    if (await holds()) return Date.now() - began;
    await pause(50);
  }
  throw new Error(`${what}: not within ${LONG / 1000} s\n${said}`);
}

const isUp = (): Promise<boolean> =>
  fetch(`${BASE}/api/health`, { signal: AbortSignal.timeout(2000) }).then(
    (r) => r.ok,
    () => false,
  );

async function begin(): Promise<void> {
  start = spawn(join(process.cwd(), 'rubrica'), ['start', '--empty', '--port', String(PORT)], {
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  for (const out of [start.stdout, start.stderr]) out?.on('data', (d: Buffer) => (said += d.toString()));
  await until('the house opens', () => said.includes('Rubrica is open') && isUp());
}

const ended = (child: ChildProcess): Promise<number | null> =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) resolve(child.exitCode);
    else child.once('exit', (code) => resolve(code));
  });

const applicationPid = (): number => {
  const { application } = JSON.parse(readFileSync(join(folder, 'children.json'), 'utf8')) as {
    application: string;
  };
  return Number(application.split('-')[0]);
};

beforeAll(async () => {
  await buildIfNeeded();
  folder = mkdtempSync(join(tmpdir(), 'rubrica-start-'));
  process.env['RUBRICA_HOME'] = folder;
  await begin();
});
afterAll(async () => {
  start.kill('SIGTERM');
  await ended(start);
  rmSync(folder, { recursive: true, force: true });
  if (before === undefined) delete process.env['RUBRICA_HOME'];
  else process.env['RUBRICA_HOME'] = before;
});

test('the application is killed: it is there again, and it was said', async () => {
  const pid = applicationPid();
  process.kill(pid, 'SIGKILL');
  await until('another application', () => said.includes('the application is up again'));
  expect(await isUp()).toBe(true);
  expect(applicationPid()).not.toBe(pid);
});

test('the database is killed: it is there again, and so is the house', async () => {
  const pid = runningServer(databasePlace('database'));
  process.kill(pid ?? 0, 'SIGKILL');
  await until(
    'the database is gone',
    async () => !(await isUp()) || said.includes('the database is up again'),
  );
  await until('the house is up', async () => said.includes('the database is up again') && (await isUp()));
  expect(runningServer(databasePlace('database'))).not.toBe(pid);
});

test('the start itself is killed: the next one ends what it left, by its own name, and opens', async () => {
  const orphan = applicationPid();
  start.kill('SIGKILL');
  await ended(start);
  expect(await isUp()).toBe(true);
  said = '';
  await begin();
  expect(said).toContain(`process ${orphan}`);
  expect(applicationPid()).not.toBe(orphan);
});

test('told to stop while a tablet listens, it ends soon and leaves nothing running', async () => {
  // A connection that is never closed by its other side, as a tablet's that sleeps.
  const controller = new AbortController();
  const page = await fetch(`${BASE}/sign-in`, { signal: controller.signal });
  expect(page.status).toBeLessThan(500);
  const application = applicationPid();
  start.kill('SIGTERM');
  expect(await ended(start)).toBe(0);
  controller.abort();
  expect(await isUp()).toBe(false);
  expect(() => process.kill(application, 0)).toThrow();
  expect(runningServer(databasePlace('database'))).toBeNull();
});
