import { labelOf } from '../../contracts/sums/form-fields.ts';
import type { JsonSchema } from '../../contracts/sums/openapi.ts';
import type { Say } from '../../core/sums/sum.ts';
import { sayResult } from './say.ts';

type Properties = Readonly<Record<string, JsonSchema>>;

const propertiesOf = (s: JsonSchema | undefined): Properties => (s?.['properties'] ?? {}) as Properties;
const unitOf = (s: JsonSchema | undefined): string => (typeof s?.['unit'] === 'string' ? s['unit'] : '');
const meaningOf = (s: JsonSchema | undefined): string =>
  typeof s?.['description'] === 'string' ? s['description'] : '';

/** Groups of numbers in a cell are said one after the other. */
function cellOf(value: unknown, schema: JsonSchema | undefined, say: Say): string {
  if (Array.isArray(value)) {
    const items = schema?.['items'] as JsonSchema | undefined;
    return value.length === 0 ? '–' : value.map((v) => sayResult(v, unitOf(items), say)).join(', ');
  }
  if (typeof value === 'object' && value !== null) {
    return Object.entries(value)
      .map(([k, v]) => `${labelOf(k).toLowerCase()} ${sayResult(v, unitOf(propertiesOf(schema)[k]), say)}`)
      .join(', ');
  }
  return value === undefined ? '' : sayResult(value, unitOf(schema), say);
}

function ListTable({
  name,
  rows,
  schema,
  say,
}: {
  readonly name: string;
  readonly rows: readonly object[];
  readonly schema: JsonSchema;
  readonly say: Say;
}) {
  const properties = propertiesOf(schema['items'] as JsonSchema);
  const keys = Object.keys(properties).filter((k) =>
    rows.some((r) => (r as Record<string, unknown>)[k] !== undefined),
  );
  if (rows.length === 0) return null;
  return (
    <div className="max-h-72 overflow-y-auto" tabIndex={0} role="region" aria-label={labelOf(name)}>
      <table className="w-full text-left text-sm">
        <caption className="text-left text-quiet">{meaningOf(schema)}</caption>
        <thead>
          <tr className="border-b border-plain">
            {keys.map((k) => (
              <th key={k} scope="col" className="pr-3 font-bold" title={meaningOf(properties[k])}>
                {labelOf(k)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r, i) => (
            <tr key={i} className="border-b border-line align-top">
              {keys.map((k) => (
                <td key={k} className="pr-3">
                  {cellOf((r as Record<string, unknown>)[k], properties[k], say)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Every figure of a result, with its meaning and unit. */
export function SumTable({
  schema,
  output,
  say,
}: {
  readonly schema: JsonSchema;
  readonly output: object;
  readonly say: Say;
}) {
  const properties = propertiesOf(schema);
  const shown = Object.entries(output).filter(([k, v]) => k !== 'svg' && v !== undefined);
  const lists = shown.filter(([, v]) => Array.isArray(v) && typeof v[0] === 'object');
  const plain = shown.filter((e) => !lists.includes(e));
  return (
    <div className="space-y-3">
      <dl className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-4">
        {plain.map(([k, v]) => (
          <div key={k} className="col-span-2 grid grid-cols-subgrid border-b border-line py-0.5">
            <dt className="text-sm text-quiet" title={k}>
              {meaningOf(properties[k]) || labelOf(k)}
            </dt>
            <dd>{cellOf(v, properties[k], say)}</dd>
          </div>
        ))}
      </dl>
      {lists.map(([k, v]) => (
        <ListTable key={k} name={k} rows={v as object[]} schema={properties[k] ?? {}} say={say} />
      ))}
    </div>
  );
}
