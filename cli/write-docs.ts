import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { sumsReference } from '../src/contracts/sums/reference.ts';
import { ROOT } from './paths.ts';

/** Writes docs/sums.md from the declared sums; with --check it only says whether the file is up to date. */
const path = join(ROOT, 'docs/sums.md');
const wanted = `${sumsReference().trimEnd()}\n`;
if (!process.argv.includes('--check')) writeFileSync(path, wanted);
else if (!existsSync(path) || readFileSync(path, 'utf8') !== wanted) {
  process.stderr.write('docs/sums.md is not what the declarations say: run npm run docs\n');
  process.exit(1);
}
