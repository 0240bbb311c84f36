import { execFile } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import { LONG } from '../../src/runs-for-tests.ts';

const ROOT = process.cwd();
const run = promisify(execFile);

/** Runs a command; others go on meanwhile. Answers whether it passed and what it said. */
async function attempt(
  file: string,
  args: readonly string[],
  cwd = ROOT,
): Promise<{ passed: boolean; words: string }> {
  try {
    const { stdout } = await run(file, [...args], { cwd, encoding: 'utf8', maxBuffer: 2 ** 26 });
    return { passed: true, words: stdout };
  } catch (e) {
    const { stdout = '', stderr = '' } = e as { stdout?: string; stderr?: string };
    return { passed: false, words: stdout + stderr };
  }
}

const bin = (name: string) => join(ROOT, 'node_modules/.bin', name);

/** What the checks read beside the sources. */
const SETTINGS = ['tsconfig.json', 'next-env.d.ts', '.oxlintrc.json', 'eslint.config.mjs', 'package.json'];

/**
 * Looks at a copy of the sources with some files added: these here may be built from at the same time.
 * @param alone only those files, without the sources
 */
async function withFiles<T>(
  files: Readonly<Record<string, string>>,
  look: (folder: string) => Promise<T>,
  alone = false,
): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'rubrica-violations-'));
  try {
    if (!alone) cpSync(join(ROOT, 'src'), join(folder, 'src'), { recursive: true });
    for (const name of SETTINGS)
      if (existsSync(join(ROOT, name))) cpSync(join(ROOT, name), join(folder, name));
    symlinkSync(join(ROOT, 'node_modules'), join(folder, 'node_modules'));
    for (const [path, text] of Object.entries(files)) {
      mkdirSync(dirname(join(folder, path)), { recursive: true });
      writeFileSync(join(folder, path), text);
    }
    return await look(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Files in one folder, by their names. */
const inFolder = (folder: string, texts: Readonly<Record<string, string>>): Record<string, string> =>
  Object.fromEntries(Object.entries(texts).map(([name, text]) => [`${folder}/${name}.ts`, text]));

/** What the violations import, as far as they need it, among as many files as a house has at least. */
const IMPORTED: Readonly<Record<string, string>> = {
  ...Object.fromEntries(
    Array.from({ length: 60 }, (_, i) => [`src/core/fine-${i}.ts`, `export const n = ${i};\n`]),
  ),
  'src/server/db/connection.ts': 'export const database = (): number => 1;\n',
  'src/server/rack/load-rack.ts': 'export const loadRack = (): number => 1;\n',
  'src/ui/rack/beads.tsx': 'export const Beads = (): null => null;\n',
};

/** Runs the import rules over a tree of these files; by `--long` over a copy of `src` with them added. */
const cruiseWith = (files: Readonly<Record<string, string>>): Promise<{ words: string }> =>
  withFiles(
    LONG ? files : { ...IMPORTED, ...files },
    (folder) => attempt(process.execPath, [join(ROOT, 'cli/check-architecture.ts'), folder]),
    !LONG,
  );

/** One deliberate violation of each import rule, in one tree. */
const VIOLATIONS: ReadonlyArray<
  readonly [what: string, rule: string, files: Readonly<Record<string, string>>]
> = [
  [
    'an upward import, from the core to the server',
    'core-is-closed: src/core/upward.ts',
    { 'src/core/upward.ts': "import '../server/db/connection.ts';\n" },
  ],
  [
    'a package in the core',
    'core-is-closed: src/core/package.ts',
    { 'src/core/package.ts': "import { z } from 'zod';\nexport const f = z;\n" },
  ],
  [
    'the page in a worker',
    'workers-not-to',
    { 'src/workers/bad.ts': "import { Beads } from '../ui/rack/beads.tsx';\nexport const b = Beads;\n" },
  ],
  [
    'a page’s part in the server',
    'server-not-to',
    { 'src/server/bad.ts': "import { Beads } from '../ui/rack/beads.tsx';\nexport const b = Beads;\n" },
  ],
  [
    'the server’s code, not its types, in the browser’s parts',
    'ui-takes-only-types',
    {
      'src/ui/bad.ts':
        "import { loadRack } from '../server/rack/load-rack.ts';\nexport const b = loadRack;\n",
    },
  ],
  [
    'a cycle of two files',
    'no-cycles: src/core/one.ts',
    {
      'src/core/one.ts': "import { b } from './two.ts';\nexport const a = (): number => b();\n",
      'src/core/two.ts': "import { a } from './one.ts';\nexport const b = (): number => a();\n",
    },
  ],
  [
    'a ring of two folders of the server whose files have none',
    'no-folder-rings: src/server/ring-a',
    {
      'src/server/ring-a/one.ts': "import { b } from '../ring-b/two.ts';\nexport const a = b;\n",
      'src/server/ring-a/three.ts': 'export const c = 1;\n',
      'src/server/ring-b/two.ts': "import { c } from '../ring-a/three.ts';\nexport const b = c;\n",
    },
  ],
  [
    'the same in the browser’s parts',
    'no-folder-rings: src/ui/ring-a',
    {
      'src/ui/ring-a/one.ts': "import { b } from '../ring-b/two.ts';\nexport const a = b;\n",
      'src/ui/ring-a/three.ts': 'export const c = 1;\n',
      'src/ui/ring-b/two.ts': "import { c } from '../ring-a/three.ts';\nexport const b = c;\n",
    },
  ],
];

describe('the rules are alive: a deliberate violation fails', () => {
  describe('in a tree with one violation of each', () => {
    let words = '';
    beforeAll(async () => {
      const all = Object.assign({}, ...VIOLATIONS.map(([, , files]) => files)) as Record<string, string>;
      ({ words } = await cruiseWith(all));
    });
    test.each(VIOLATIONS.map(([what, rule]) => [what, rule] as const))('%s', (_, rule) => {
      expect(words).toContain(rule);
    });
  });

  const LINTED: Readonly<Record<string, string>> = {
    clock: 'export const now = (): number => Date.now();\n',
    date: 'export const now = (): Date => new Date();\n',
    random: 'export const luck = (): number => Math.random();\n',
    dynamic: "export const later = (): Promise<unknown> => import('./result.ts');\n",
    global: 'export const page = (): unknown => globalThis;\n',
  };

  test.runIf(LONG)(
    'a clock, a date, a random source, a dynamic import or a global in the core fails the lint, each',
    async () => {
      await withFiles(inFolder('src/core/deliberate-violation', LINTED), async (cwd) => {
        const args = ['--format', 'json', 'src/core/deliberate-violation'];
        const { passed, words } = await attempt(bin('eslint'), args, cwd);
        expect(passed).toBe(false);
        const found = JSON.parse(words) as { filePath: string; errorCount: number }[];
        const wrong = found
          .filter((f) => f.errorCount > 0)
          .map((f) => f.filePath.replace(/^.*\/|\.ts$/g, ''));
        expect(wrong.sort()).toEqual(Object.keys(LINTED).sort());
      });
    },
  );

  const LINTED_EVERYWHERE: Readonly<Record<string, readonly [rule: string, text: string]>> = {
    any: ['no-explicit-any', 'export const loose = (x: any): unknown => x;\n'],
    floating: [
      'no-floating-promises',
      'const later = async (): Promise<void> => {};\nexport const now = (): void => {\n  later();\n};\n',
    ],
    misused: [
      'no-misused-promises',
      'const later = async (): Promise<void> => {};\nexport const all = (a: number[]): void => a.forEach(later);\n',
    ],
    switch: [
      'switch-exhaustiveness-check',
      "export function f(x: 'a' | 'b'): number {\n  switch (x) {\n    case 'a':\n      return 1;\n  }\n  return 0;\n}\n",
    ],
    hooks: [
      'rules-of-hooks',
      "import { useState } from 'react';\nexport const useIt = (x: boolean): void => {\n  if (x) useState(0);\n};\n",
    ],
    unused: ['no-unused-vars', 'const nobody = 1;\nexport const x = 2;\n'],
    link: ['no-restricted-imports', "import Link from 'next/link';\nexport const L = Link;\n"],
    equal: ['eqeqeq', 'export const same = (a: string, b: string): boolean => a == b;\n'],
    long: ['max-lines-per-function', `export function f(): void {\n${'  f();\n'.repeat(61)}}\n`],
    file: ['max-lines', `export const x = 1;\n${'console.log(1);\n'.repeat(321)}`],
  };

  test.runIf(LONG)('what no file may hold fails the lint, each: also what only the types tell', async () => {
    const texts = Object.fromEntries(
      Object.entries(LINTED_EVERYWHERE).map(([name, [, text]]) => [name, text]),
    );
    await withFiles(inFolder('src/ui/deliberate-violation', texts), async (cwd) => {
      const args = ['--format', 'json', 'src/ui/deliberate-violation'];
      const { passed, words } = await attempt(bin('oxlint'), args, cwd);
      expect(passed).toBe(false);
      const { diagnostics } = JSON.parse(words) as { diagnostics: { filename: string; code: string }[] };
      const found = diagnostics.map((d) => `${d.filename.replace(/^.*\/|\.ts$/g, '')}: ${d.code}`);
      for (const [name, [rule]] of Object.entries(LINTED_EVERYWHERE))
        expect(found.filter((f) => f.startsWith(`${name}: `)).join(), name).toContain(rule);
    });
  });

  test.runIf(LONG)('a document in the core fails the types', async () => {
    const found = await withFiles(
      { 'src/core/deliberate-violation.ts': 'export const title = (): string => document.title;\n' },
      (cwd) => attempt(bin('tsc'), ['-p', 'src/core/tsconfig.json', '--noEmit'], cwd),
    );
    expect(found.passed).toBe(false);
    expect(found.words).toContain('deliberate-violation');
  });
});
