import { readFile } from 'node:fs/promises';
import { buffer } from 'node:stream/consumers';
import { planOfCase } from '../../src/contracts/formats/case.ts';
import { planOfFile } from '../../src/server/exchange/plan-of-file.ts';
import { allWordsIn } from '../../src/core/units/words-in.ts';
import type { Options } from '../base/options.ts';

const BAD_INPUT = 2;
const STANDARD_INPUT = '-';

/** A case, where the bytes are one: JSON that says so. */
function asCase(bytes: Uint8Array): unknown {
  try {
    const data = JSON.parse(new TextDecoder().decode(bytes)) as { readonly format?: unknown } | null;
    return data?.format === 'rubrica case' ? data : undefined;
  } catch {
    return undefined;
  }
}

const read = (path: string): Promise<Uint8Array | null> =>
  path === STANDARD_INPUT ? buffer(process.stdin) : readFile(path).catch(() => null);

/** Prints the plans of an exported job or of a small case as JSON; it needs neither build nor database. */
export async function run(o: Options): Promise<number> {
  const [path] = o.rest;
  const complain = (message: string): number => {
    process.stderr.write(`rubrica: ${message}\n`);
    return BAD_INPUT;
  };
  if (path === undefined)
    return complain(
      'plan wants the file of an exported job or a case: ./rubrica plan FILE.json (or - for standard input)',
    );
  const bytes = await read(path);
  if (bytes === null) return complain(`${path} cannot be read.`);
  const small = asCase(bytes);
  const done = small === undefined ? planOfFile(new Uint8Array(bytes)) : planOfCase(small);
  if (!done.ok) return complain(`${path}: ${done.error}`);
  process.stdout.write(`${JSON.stringify(allWordsIn<unknown>(done.value, '64ths'), null, 2)}\n`);
  return 0;
}
