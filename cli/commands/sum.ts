import { createInterface } from 'node:readline';
import { SUMS } from '../../src/core/sums/catalogue.ts';
import { runSum } from '../../src/core/sums/run-sum.ts';
import type { SumError } from '../../src/core/sums/sum.ts';
import type { Options } from '../base/options.ts';

const BAD_INPUT = 2;

const notJson = (what: string): SumError => ({
  code: 'invalid',
  field: '',
  message: `${what} is not JSON.`,
});

function parse(text: string): { readonly value: unknown } | null {
  try {
    return { value: JSON.parse(text) };
  } catch {
    return null;
  }
}

/** The answer to one line: `{"ok": true, "output": …}` or `{"ok": false, "error": …}`. */
function answerLine(line: string): string {
  const read = parse(line);
  const asked = read?.value as { id?: unknown; input?: unknown } | null | undefined;
  if (!read || typeof asked !== 'object' || asked === null) {
    return JSON.stringify({
      ok: false,
      error: read
        ? { ...notJson(''), message: 'The line must be an object with id and input.' }
        : notJson('The line'),
    });
  }
  const done = runSum(typeof asked.id === 'string' ? asked.id : '', asked.input);
  return JSON.stringify(done.ok ? { ok: true, output: done.value } : { ok: false, error: done.error });
}

async function lines(): Promise<number> {
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    if (line.trim() !== '') process.stdout.write(`${answerLine(line)}\n`);
  }
  return 0;
}

const complain = (message: string): number => {
  process.stderr.write(`rubrica: ${message}\n`);
  return BAD_INPUT;
};

/** Runs one sum, or one a line from standard input. It needs neither build nor database. */
export async function run(o: Options): Promise<number> {
  const [id, text] = o.rest;
  if (id === '-') return lines();
  if (id === undefined) {
    for (const s of SUMS) process.stdout.write(`${s.id.padEnd(22)}${s.title}\n`);
    return 0;
  }
  const read = parse(text ?? '{}');
  if (!read) return complain(notJson('The input').message);
  const done = runSum(id, read.value);
  if (!done.ok) return complain(done.error.message);
  process.stdout.write(`${JSON.stringify(done.value)}\n`);
  return 0;
}
