import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { isPacked } from './release.ts';
import { OF_CHECKOUT, ROOT } from './paths.ts';
import { runningShop } from './running-shop.ts';
import { say, Trouble } from './say.ts';

const INPUTS = [
  'src',
  'public',
  'package-lock.json',
  'next.config.mjs',
  'serwist.config.mjs',
  'postcss.config.mjs',
  'tsconfig.json',
];

function* filesBelow(path: string): Generator<string> {
  if (!existsSync(path)) return;
  if (!statSync(path).isDirectory()) {
    yield path;
    return;
  }
  for (const name of readdirSync(path).sort()) yield* filesBelow(join(path, name));
}

/** A digest of everything the build is made from. */
function sourceDigest(): string {
  const hash = createHash('sha256');
  for (const input of INPUTS) {
    for (const file of filesBelow(join(ROOT, input))) {
      if (!/\.test\.tsx?$|public\/sw\.js/.test(file))
        hash.update(file.slice(ROOT.length)).update(readFileSync(file));
    }
  }
  return hash.digest('hex');
}

/** Runs a program of node_modules and waits; its words go to a log, shown when it fails. */
function run(args: readonly string[]): Promise<void> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    let words = '';
    child.stdout.on('data', (d: Buffer) => (words += d.toString()));
    child.stderr.on('data', (d: Buffer) => (words += d.toString()));
    child.once('error', reject);
    child.once('exit', (code) =>
      code === 0 ? resolve() : reject(new Trouble(`the build failed:\n${words}`)),
    );
  });
}

/** Builds the application when a source has changed since the last build. */
export async function buildIfNeeded(): Promise<void> {
  // A release archive brings its build.
  if (isPacked()) return;
  const stamp = join(OF_CHECKOUT, 'build.stamp');
  const digest = sourceDigest();
  const built = existsSync(join(ROOT, '.next', 'BUILD_ID'));
  if (built && existsSync(stamp) && readFileSync(stamp, 'utf8') === digest) return;
  const shop = runningShop();
  if (shop && shop.pid !== process.pid)
    throw new Trouble(
      `the shop at http://127.0.0.1:${shop.port} is served from a build of older sources, which this would replace. Stop it first: ./rubrica stop`,
    );
  say('building (about half a minute) …');
  mkdirSync(OF_CHECKOUT, { recursive: true, mode: 0o700 });
  rmSync(stamp, { force: true });
  await run([join(ROOT, 'node_modules/next/dist/bin/next'), 'build']);
  // The worker holds the files of the build: it comes after it.
  await run([join(ROOT, 'node_modules/@serwist/cli/cli.js'), 'build', 'serwist.config.mjs']);
  writeFileSync(stamp, digest);
}
