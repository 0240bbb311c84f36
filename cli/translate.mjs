/**
 * Translates the commands and what they use into files that Node.js reads as they are, so that a command begins at once:
 * `.rubrica/cli/main.mjs`. Parts are named by what is in them and written before the file that names them, so that a
 * command that runs meanwhile goes on with its own.
 */
import { build } from 'esbuild';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  renameSync,
  statSync,
  unlinkSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { basename, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = resolve(import.meta.dirname, '..');
const FOLDER = join(ROOT, '.rubrica', 'cli');
/** A part that no later translation names is kept so long: a house that was started with it may still ask for it. */
const KEPT_MS = 60 * 24 * 3_600_000;

/** As old as its sources were: one that is saved while this goes on is newer. */
const began = new Date();

/** Writes a file whole, whoever reads it meanwhile. */
function write(path, bytes) {
  const half = `${path}.${process.pid}`;
  writeFileSync(half, bytes);
  utimesSync(half, began, began);
  renameSync(half, path);
}

const isThere = (specifier) => {
  try {
    const url = import.meta.resolve(specifier);
    return !url.startsWith('file:') || existsSync(fileURLToPath(url));
  } catch {
    return false;
  }
};

/** Packages stay packages, named as Node.js finds them: some leave the ending of a file to whoever bundles them. */
const packagesByName = {
  name: 'packages',
  setup(b) {
    b.onResolve({ filter: /^[^./]/ }, ({ path, kind }) => {
      if (kind === 'entry-point') return null;
      // One that is missing is said by the command that wants it: what only tests want is not everywhere.
      return { path: [path, `${path}.js`].find(isThere) ?? path, external: true };
    });
  },
};

const { outputFiles } = await build({
  entryPoints: [join(ROOT, 'cli/main.ts')],
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node24',
  plugins: [packagesByName],
  sourcemap: true,
  outdir: FOLDER,
  outExtension: { '.js': '.mjs' },
  chunkNames: '[hash]',
  write: false,
  logLevel: 'error',
});
mkdirSync(FOLDER, { recursive: true, mode: 0o700 });
const [first, parts] = [[], []];
for (const file of outputFiles) (basename(file.path).startsWith('main.') ? first : parts).push(file);
for (const { path, contents } of [...parts, ...first.sort((a, b) => b.path.localeCompare(a.path))])
  write(path, contents);
const named = new Set(outputFiles.map((f) => basename(f.path)));
for (const name of readdirSync(FOLDER)) {
  const path = join(FOLDER, name);
  if (!named.has(name) && Date.now() - statSync(path).mtimeMs > KEPT_MS) unlinkSync(path);
}
