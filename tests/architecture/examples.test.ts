/** What docblocks of the core show as an example is done, and comes to what they say. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const CORE = join(process.cwd(), 'src/core');
const files = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((e) =>
    e.isDirectory()
      ? files(join(folder, e.name))
      : /(?<!test)\.ts$/.test(e.name) && !/\.test\.ts$|for-tests\.ts$/.test(e.name)
        ? [join(folder, e.name)]
        : [],
  );

interface Example {
  readonly at: string;
  readonly call: string;
  readonly gives: string;
}

/** Examples that are a call and what it gives: `f(1) → 2; f(2) → 3`. Others are told in words, and are read. */
const EXAMPLES: readonly Example[] = files(CORE).flatMap((file) =>
  [...readFileSync(file, 'utf8').matchAll(/@example ([^\n]*(?:\n \* {2,}[^\n]*)*)/g)].flatMap((m) =>
    (m[1] ?? '')
      .replace(/\n \* +/g, ' ')
      .replace(/\*\/.*$/, '')
      .split(/; (?=\w+\()/)
      .flatMap((text) => {
        const found = /^(\w+\(.*?\)(?:\.\w+)*) → (.+)$/.exec(text.trim());
        const [, call = '', gives = ''] = found ?? [];
        return found && !call.includes('…')
          ? [{ at: file.slice(CORE.length + 1), call, gives: gives.trim() }]
          : [];
      }),
  ),
);

/** Everything the core gives away, by name: what an example may use. */
const scope = new Map<string, unknown>();
beforeAll(async () => {
  for (const file of files(CORE))
    for (const [name, value] of Object.entries((await import(file)) as Record<string, unknown>))
      scope.set(name, value);
});

const NUMBER = /^[−-]?\d+(?:\.\d+)?$/;
const numberOf = (text: string): number => Number(text.replace('−', '-'));
const places = (text: string): number => text.split('.')[1]?.length ?? 0;

/** A result told as what it holds. */
const inside = (v: unknown): unknown => {
  if (typeof v === 'object' && v !== null && 'ok' in v && 'value' in v) return inside(v.value);
  return typeof v === 'object' && v !== null && 'mm' in v && 'explicit' in v ? v.mm : v;
};

function nearly(value: unknown, text: string): void {
  expect(value).toBeTypeOf('number');
  expect(Math.abs(Number(value) - numberOf(text))).toBeLessThanOrEqual(0.5000001 * 10 ** -places(text));
}

/** Holds a value against what a docblock says it is: a number to its places, words, a list, or fields by name. */
function holds(value: unknown, gives: string): void {
  const plain = gives.replace(/ (?:mm|N|cents)\.?$/, '');
  const quoted = /^(['`])(.*)\1$/.exec(plain);
  if (NUMBER.test(plain)) return nearly(value, plain);
  if (plain.startsWith('Date.')) return expect(value).toBe(new Function(`return ${plain}`)());
  // A docblock has plain spaces where the words have ones that do not break.
  if (quoted) return expect(String(value).replace(/\u00a0|\u202f/g, ' ')).toBe(quoted[2]);
  if (/^[[{]/.test(plain)) {
    const said: unknown = new Function(`return (${plain})`)();
    return expect(value).toMatchObject(rounded(said) as object);
  }
  if (Array.isArray(value))
    return expect(value.map(nameOf).join(plain.includes(',') ? ', ' : ' ')).toBe(plain);
  if (typeof value === 'object' && value !== null) {
    for (const part of plain.split(', ')) {
      const [, key = '', says = ''] = /^(\w+) (.+)$/.exec(part) ?? [];
      const field = (value as Record<string, unknown>)[key];
      if (NUMBER.test(says)) nearly(field, says);
      else expect(field).toBe(says.replace(/^'(.*)'$/, '$1'));
    }
    return;
  }
  expect(String(value)).toBe(plain);
}

const nameOf = (v: unknown): string =>
  typeof v === 'object' && v !== null && 'name' in v ? String(v.name) : String(v);

/** Numbers told with some places are near enough in them. */
function rounded(v: unknown): unknown {
  if (typeof v === 'number')
    return Number.isInteger(v) ? v : (expect.closeTo(v, places(String(v))) as unknown);
  if (Array.isArray(v)) return v.map(rounded);
  if (typeof v === 'object' && v !== null)
    return Object.fromEntries(Object.entries(v).map(([k, x]) => [k, rounded(x)]));
  return v;
}

test('there are examples to do', () => {
  expect(EXAMPLES.length).toBeGreaterThan(40);
});

test.each(EXAMPLES.map((e) => [e.at, e.call, e.gives] as const))('%s: %s → %s', (_at, call, gives) => {
  const value: unknown = new Function(...scope.keys(), `return ${call}`)(...scope.values());
  holds(inside(value), gives);
});
