import { readFile } from 'node:fs/promises';
import { planOfFile } from '../../src/server/exchange/plan-of-file.ts';
import type { Options } from '../base/options.ts';

const BAD_INPUT = 2;

/** Prints the plans of an exported job as JSON; it needs neither build nor database. */
export async function run(o: Options): Promise<number> {
  const [path] = o.rest;
  const complain = (message: string): number => {
    process.stderr.write(`rubrica: ${message}\n`);
    return BAD_INPUT;
  };
  if (path === undefined) return complain('plan wants the file of an exported job: ./rubrica plan FILE.json');
  const bytes = await readFile(path).catch(() => null);
  if (bytes === null) return complain(`${path} cannot be read.`);
  const done = planOfFile(new Uint8Array(bytes));
  if (!done.ok) return complain(`${path}: ${done.error}`);
  process.stdout.write(`${JSON.stringify(done.value, null, 2)}\n`);
  return 0;
}
