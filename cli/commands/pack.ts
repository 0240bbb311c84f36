import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  cpSync,
  createReadStream,
  existsSync,
  mkdtempSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { buildIfNeeded } from '../base/build.ts';
import type { Options } from '../base/options.ts';
import { ROOT } from '../base/paths.ts';
import { isPacked, PACKED, release } from '../base/release.ts';
import { megabytes, say, Trouble } from '../base/say.ts';

/** What runs; tests and what only builds stay behind. */
const CONTENTS = [
  'rubrica',
  'package.json',
  'package-lock.json',
  '.npmrc',
  'tsconfig.json',
  'next.config.mjs',
  'cli',
  'src',
  'public',
  'deploy',
  'docs',
  'README.md',
  'CHANGELOG.md',
  'LICENSE',
];
/** Packages that build the application and are not asked for when it runs. */
const ONLY_BUILDS = [
  /^@next\/swc-/,
  /^typescript$/,
  /^@typescript$/,
  /^lightningcss/,
  /^@tailwindcss$/,
  /^tailwindcss$/,
  /^playwright/,
  /^@?esbuild$/,
];
/** Of the Node that runs it: what programs are built with, and what is said of it. */
const OF_NODE = ['include', 'share', 'CHANGELOG.md', 'README.md'];

function must(command: string, args: readonly string[], cwd: string): void {
  const done = spawnSync(command, args, { cwd, encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });
  if (done.status !== 0)
    throw new Trouble(`${command} ${args.join(' ')} failed:\n${done.stderr}${done.stdout}`);
}

function prune(modules: string): void {
  const names = readdirSync(modules).flatMap((n) =>
    n.startsWith('@') ? [n, ...readdirSync(join(modules, n)).map((m) => `${n}/${m}`)] : [n],
  );
  for (const name of names)
    if (ONLY_BUILDS.some((p) => p.test(name))) rmSync(join(modules, name), { recursive: true, force: true });
  for (const node of names.filter((name) => name.startsWith('node-linux-')))
    for (const part of OF_NODE) rmSync(join(modules, node, part), { recursive: true, force: true });
}

async function digest(file: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(file)) hash.update(chunk as Buffer);
  return hash.digest('hex');
}

/** Makes a release archive: built, with the packages that run it; it starts without a build and without the registry. */
export async function run(o: Options): Promise<number> {
  if (isPacked()) throw new Trouble('this is a release archive already');
  await buildIfNeeded();
  const name = `rubrica-${release()}-${process.platform}-${process.arch}`;
  const file = resolve(o.rest[0] ?? `${name}.tar.gz`);
  const folder = mkdtempSync(join(tmpdir(), 'rubrica-pack-'));
  const stage = join(folder, name);
  try {
    for (const part of CONTENTS.filter((p) => existsSync(join(ROOT, p))))
      cpSync(join(ROOT, part), join(stage, part), {
        recursive: true,
        filter: (from) => !/\.test\.tsx?$/.test(from),
      });
    cpSync(join(ROOT, '.next'), join(stage, '.next'), {
      recursive: true,
      // Its links lead to packages beside it, not to those here.
      verbatimSymlinks: true,
      filter: (from) => !/\.next\/(cache|dev|trace|types)(\/|$)/.test(from),
    });
    say('taking the packages that run it …');
    must('npm', ['ci', '--omit=dev', '--no-fund', '--no-audit', '--loglevel=error'], stage);
    must(process.execPath, ['cli/translate.mjs'], stage);
    prune(join(stage, 'node_modules'));
    writeFileSync(join(stage, PACKED), `${JSON.stringify({ release: release(), node: process.version })}\n`);
    say('packing …');
    // Unpacked by one and run by another: everybody may read it, whatever was private where it was made.
    const plain = ['--owner=0', '--group=0', '--mode=u+rwX,go+rX,go-w', '--sort=name'];
    must('tar', [...plain, '-czf', file, name], folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  say(`${file}: ${megabytes(statSync(file).size)}, sha256 ${await digest(file)}`);
  return 0;
}
