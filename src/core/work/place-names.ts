import { fail, ok, type Result } from '../result.ts';

const MOST = 60;
const ROW = /^(.*?)(\d{1,3})\s*(?:[-\u2013\u2026]|\.\.+|to)\s*(.*?)(\d{1,3})$/;

/**
 * Reads names of places as they are typed, a row of them as its ends: `A1–A6, Window`.
 * @returns the names in their order
 * @example placeNames('A1–A3, Window') → A1, A2, A3, Window
 */
export function placeNames(text: string): Result<readonly string[], string> {
  const names: string[] = [];
  for (const part of text.split(/[,;\n]+/).map((p) => p.trim())) {
    if (part === '') continue;
    const row = ROW.exec(part);
    const [, before = '', from = '', again = '', to = ''] = row ?? [];
    if (row && (again === '' || again === before) && Number(from) <= Number(to)) {
      for (let n = Number(from); n <= Number(to); n++) names.push(`${before}${n}`);
    } else names.push(part);
    if (names.length > MOST) return fail(`At most ${MOST} at once.`);
  }
  const long = names.find((n) => n.length > 40);
  if (long !== undefined) return fail(`“${long.slice(0, 20)}…” is longer than 40 letters.`);
  return names.length === 0 ? fail('Write a name, or a row like A1–A6.') : ok(names);
}
