import { SUMS } from '../../core/sums/catalogue.ts';
import { runDeclared, type AnySum } from '../../core/sums/run-sum.ts';
import { jsonSchema, type JsonSchema } from './openapi.ts';

interface Row {
  readonly path: string;
  readonly type: string;
  readonly unit: string;
  readonly description: string;
}

const text = (v: unknown): string => (typeof v === 'string' ? v : '');

function typeOf(s: JsonSchema): string {
  if (Array.isArray(s['enum'])) return s['enum'].map(String).join(' / ');
  if (s['const'] !== undefined) return String(s['const']);
  if (Array.isArray(s['anyOf'])) return (s['anyOf'] as JsonSchema[]).map(typeOf).join(' or ');
  const bounds = [s['minimum'], s['maximum']].filter((n) => typeof n === 'number' && Math.abs(n) < 1e9);
  return `${text(s['type'])}${bounds.length > 0 ? ` ${bounds.join(' … ')}` : ''}`;
}

function rows(schema: JsonSchema, path = ''): Row[] {
  const required = new Set((schema['required'] as string[] | undefined) ?? []);
  const properties = (schema['properties'] ?? {}) as Readonly<Record<string, JsonSchema>>;
  return Object.entries(properties).flatMap(([name, s]) => {
    const full = `${path}${name}${required.has(name) ? '' : '?'}`;
    const row = { path: full, type: typeOf(s), unit: text(s['unit']), description: text(s['description']) };
    const items = s['items'] as JsonSchema | undefined;
    const inner = items?.['properties'] ? rows(items, `${full}[].`) : rows(s, `${full}.`);
    return [{ ...row, unit: row.unit || text(items?.['unit']) }, ...inner];
  });
}

const cell = (s: string): string => s.replace(/\|/g, '\\|');

const table = (schema: JsonSchema): string[] => [
  '| field | type | unit | meaning |',
  '|---|---|---|---|',
  ...rows(schema).map((r) => `| \`${r.path}\` | ${cell(r.type)} | ${r.unit} | ${cell(r.description)} |`),
];

/** What is less is the rounding of a processor: the next one rounds another way. */
const NOTHING = 1e-12;

/** As it is printed: long drawings are cut short, numbers are not longer than they mean something. */
const shorten = (value: unknown): unknown =>
  JSON.parse(
    JSON.stringify(value, (_, v: unknown) =>
      typeof v === 'string' && v.length > 120
        ? `${v.slice(0, 60)}…`
        : typeof v === 'number'
          ? Number((Math.abs(v) < NOTHING ? 0 : v).toPrecision(8))
          : v,
    ),
  );

function section(sum: AnySum): string[] {
  const done = runDeclared(sum, sum.example);
  return [
    `## ${sum.title}`,
    '',
    `\`${sum.id}\` · ${sum.formula}`,
    '',
    sum.why,
    '',
    ...sum.assumptions.map((a) => `- ${a}`),
    '',
    `Source: ${sum.source}`,
    '',
    ...table(jsonSchema(sum.input)),
    '',
    'It gives:',
    '',
    ...table(jsonSchema(sum.output)),
    '',
    '```sh',
    `./rubrica sum ${sum.id} '${JSON.stringify(sum.example)}'`,
    '```',
    '',
    '```json',
    JSON.stringify(shorten(done.ok ? done.value : done.error)),
    '```',
    '',
  ];
}

/** The reference page of all sums, in Markdown. */
export const sumsReference = (): string =>
  [
    '# The sums',
    '',
    'Made from the declarations in `src/core/sums` by `npm run docs`; do not edit by hand.',
    '',
    'Lengths are mm unless a field says otherwise, angles degrees, pitch errors cents (sharp positive), tension N, unit mass kg/m, frequency Hz. Up is positive for heights, away from the nut for the saddle, toward the saddle for the nut. The same sums answer at `POST /api/sums/{id}` (`/api/openapi.json`), in the place Sums, and to `./rubrica sum`.',
    '',
    ...SUMS.map(
      (s) =>
        `- [${s.title}](#${s.title
          .toLowerCase()
          .replace(/[^\w\s-]/g, '')
          .replace(/\s/g, '-')}) \`${s.id}\``,
    ),
    '',
    ...SUMS.flatMap(section),
  ].join('\n');
