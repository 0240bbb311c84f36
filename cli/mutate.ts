import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './base/paths.ts';

type Status = 'Killed' | 'Timeout' | 'Survived' | 'NoCoverage' | 'Ignored' | 'CompileError' | 'RuntimeError';

interface Report {
  readonly files: Readonly<Record<string, { readonly mutants: readonly { readonly status: Status }[] }>>;
}

interface Score {
  readonly found: number;
  readonly all: number;
}

/** The score a run must reach, of 100. */
const ENOUGH = 85;

const folders = (): string[] =>
  readdirSync(join(ROOT, 'src/core'), { withFileTypes: true })
    .filter((f) => f.isDirectory())
    .map((f) => f.name);

/** A folder's own tests alone, where it has any: stricter than all of them, and a mutant costs a tenth. */
function testsOf(folder: string): string {
  const files = readdirSync(join(ROOT, 'src/core', folder), { recursive: true, encoding: 'utf8' });
  return files.some((f) => f.endsWith('.test.ts'))
    ? `src/core/${folder}/**/*.test.ts`
    : 'src/core/**/*.test.ts';
}

function scoreOf(folder: string): Score {
  const { files } = JSON.parse(readFileSync(join(ROOT, '.rubrica/mutation.json'), 'utf8')) as Report;
  const mutants = Object.entries(files)
    .filter(([file]) => file.startsWith(`src/core/${folder}/`))
    .flatMap(([, f]) => f.mutants);
  const count = (...which: Status[]) => mutants.filter((m) => which.includes(m.status)).length;
  const found = count('Killed', 'Timeout');
  return { found, all: found + count('Survived', 'NoCoverage') };
}

const line = (name: string, { found, all }: Score): string =>
  `${name.padEnd(14)} ${String(found).padStart(6)} of ${String(all).padStart(6)} found, ${((100 * found) / Math.max(1, all)).toFixed(1)} %\n`;

/** Changes the core in thousands of small ways, a folder at a time, and counts how many of them its own tests find. */
function mutate(names: readonly string[]): number {
  const scores: Score[] = [];
  for (const folder of names.length > 0 ? names : folders()) {
    const stryker = join(ROOT, 'node_modules/@stryker-mutator/core/bin/stryker.js');
    const what = `src/core/${folder}/**/*.ts,!src/core/**/*.test.ts,!src/core/**/*-for-tests.ts`;
    const done = spawnSync(process.execPath, [stryker, 'run', '--mutate', what], {
      cwd: ROOT,
      encoding: 'utf8',
      env: { ...process.env, RUBRICA_MUTATION_TESTS: testsOf(folder) },
    });
    if (done.status !== 0) {
      process.stderr.write(`${done.stdout}\n${done.stderr}\n`);
      return done.status ?? 1;
    }
    const score = scoreOf(folder);
    scores.push(score);
    process.stdout.write(line(folder, score));
  }
  const all = scores.reduce((sum, s) => ({ found: sum.found + s.found, all: sum.all + s.all }), {
    found: 0,
    all: 0,
  });
  process.stdout.write(line('together', all));
  return 100 * all.found >= ENOUGH * all.all ? 0 : 1;
}

process.exitCode = mutate(process.argv.slice(2));
