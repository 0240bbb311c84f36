import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { gzipSync } from 'node:zlib';
import { buildIfNeeded } from './base/build.ts';
import { ROOT } from './base/paths.ts';

/** What the scripts of a page may weigh when it is opened first, kB of gzip. */
const LEAF_KB = 250;
const HEAVY_LEAF_KB = 300;
const OTHER_KB = 200;
/**
 * Pages that weigh more today, kB: each may only become lighter, and leaves the list when it fits. (The sums' pages took on three
 * sums, 6 kB; four pages 0.4 kB each with two more quantities, names of paired strings and the rack that loads itself; two pages
 * 0.2 kB each with what keeps a tablet going without a connection; the sums' 0.4 kB with another place at the edge of every page; the checklist's
 * 0.2 kB with the search that opens from every page; three pages up to 1 kB with the stores, a further place at that edge; the history
 * 0.5 kB with the sentences of the stores; six pages up to 0.8 kB with places that can be told apart on a telephone and what a step is asked
 * and worn for; the rack 0.1 kB with how far the log went when it was made; two pages choose from long lists at once; the bench and the
 * history up to 2.1 kB with lengths said in the reader's unit and what the week has first, three pages 0.5 kB at the most with who reads them.)
 */
const OVER_TODAY: Readonly<Record<string, number>> = {
  '/(house)/sums/[id]': 289.5,
  '/(house)/sums': 289.5,
  '/(house)/job/[number]/work': 261,
  '/(house)/desk/take-in': 247.4,
  '/(house)/house/checklists/[list]': 225.3,
  '/(house)/bench': 227.5,
  '/(house)/rack': 215.8,
  '/(house)/stores/care': 211,
  '/(house)/house/care': 210.9,
  '/(house)/job/[number]/history': 201.7,
  '/(house)/house/devices': 200.6,
};
const HEAVY = ['readings', 'plan'];
const LEAVES = ['arrival', 'inspection', 'work', 'hand-over', ...HEAVY];
const KB = 1000;

const BUILT = join(ROOT, '.next');

function* manifestsBelow(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* manifestsBelow(path);
    else if (entry.name === 'page_client-reference-manifest.js') yield path;
  }
}

interface Manifest {
  readonly entryJSFiles?: Readonly<Record<string, readonly string[]>>;
}

/** A manifest of the build: an assignment of JSON to a global. */
function readManifest(path: string): Manifest {
  const text = readFileSync(path, 'utf8');
  return JSON.parse(text.slice(text.indexOf('] = ') + 4).replace(/;?\s*$/, '')) as Manifest;
}

const weights = new Map<string, number>();
function weightOf(file: string): number {
  const known = weights.get(file);
  if (known !== undefined) return known;
  const weight = gzipSync(readFileSync(join(BUILT, file))).length;
  weights.set(file, weight);
  return weight;
}

function limitOf(route: string): number {
  const today = OVER_TODAY[route];
  if (today !== undefined) return today;
  const leaf = /\/job\/\[number\]\/([a-z-]+)$/.exec(route)?.[1] ?? '';
  if (!LEAVES.includes(leaf)) return OTHER_KB;
  return HEAVY.includes(leaf) ? HEAVY_LEAF_KB : LEAF_KB;
}

/** Every page with the weight of its scripts at the first load: its own, its frames', and what every page has. */
function pages(): readonly { readonly route: string; readonly kb: number; readonly limit: number }[] {
  const main = (
    JSON.parse(readFileSync(join(BUILT, 'build-manifest.json'), 'utf8')) as {
      readonly rootMainFiles: readonly string[];
    }
  ).rootMainFiles;
  const app = join(BUILT, 'server/app');
  return [...manifestsBelow(app)].map((path) => {
    const route = `/${relative(app, path).replace(/\/?page_client-reference-manifest\.js$/, '')}`;
    const { entryJSFiles = {} } = readManifest(path);
    const own = Object.entries(entryJSFiles)
      // Errors and pages that are not found come with their own when they come.
      .filter(([entry]) => /\/(layout|page)$/.test(entry))
      .flatMap(([, files]) => files);
    const files = new Set([...main, ...own]);
    const kb = [...files].reduce((sum, f) => sum + weightOf(f), 0) / KB;
    return { route, kb, limit: limitOf(route) };
  });
}

await buildIfNeeded();
if (!existsSync(join(BUILT, 'build-manifest.json'))) throw new Error('the build left no manifest');
const all = [...pages()].sort((a, b) => b.kb - a.kb);
if (all.length < 30) throw new Error(`only ${all.length} pages were seen`);
for (const { route, kb, limit } of all)
  process.stdout.write(
    `${kb <= limit ? 'ok  ' : 'OVER'} ${kb.toFixed(0).padStart(4)} kB of ${limit} ${route}\n`,
  );
process.exit(all.every((p) => p.kb <= p.limit) ? 0 : 1);
