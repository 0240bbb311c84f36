import { parseLength } from '../../core/units/parse-length.ts';

/** Reads a change with its sign, in any unit; null where it is none. mm */
export function readMove(text: string): number | null {
  const clean = text.trim().replace(/^[−–]/, '-');
  if (clean === '') return 0;
  const sign = clean.startsWith('-') ? -1 : 1;
  const read = parseLength(clean.replace(/^[+-]/, ''), 'mm');
  return read.ok ? sign * read.value.mm : null;
}
