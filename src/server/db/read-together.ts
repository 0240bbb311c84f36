import type { Model, ModelStatic, Sequelize, Transaction } from 'sequelize';
import { give, type Value } from './give.ts';

/** Rows of one model that are wanted, by a condition over its own columns and the replacements. */
export interface Wanted {
  readonly model: ModelStatic<Model>;
  /** SQL, with named replacements: `job_id = :job` */
  readonly where: string;
  /** attributes, the first that differs decides; by their numbers unless said otherwise */
  readonly order?: readonly string[];
  /** the last of that order first */
  readonly backwards?: boolean;
  /** attributes that are not read: large ones nobody here looks at */
  readonly without?: readonly string[];
  /** whether they are held until the transaction ends; of one kind of rows alone */
  readonly lock?: true;
}

/** Rows as they are looked at: what they say, without a way to change them. */
export type Seen<T> = T extends { readonly _attributes: infer A } ? Readonly<A> : T;

/** The same of each of what was wanted. */
export type SeenRowsOf<R> = { readonly [K in keyof R]: R[K] extends (infer M)[] ? readonly Seen<M>[] : R[K] };

/** The rows of each of what was wanted. */
export type RowsOf<W> = {
  readonly [K in keyof W]: W[K] extends { readonly model: new () => infer M } ? M[] : never;
};

interface Column {
  readonly name: string;
  readonly field: string;
  readonly type: string;
}

const known = new WeakMap<ModelStatic<Model>, readonly Column[]>();

function columnsOf(model: ModelStatic<Model>, without: readonly string[]): readonly Column[] {
  let all = known.get(model);
  if (!all) known.set(model, (all = allColumns(model)));
  return without.length === 0 ? all : all.filter((c) => !without.includes(c.name));
}

function allColumns(model: ModelStatic<Model>): readonly Column[] {
  return Object.entries(model.getAttributes()).map(([name, a]) => ({
    name,
    field: a.field ?? name,
    type: (a.type as unknown as { key: string }).key,
  }));
}

/** A column as it goes into JSON: what JSON would round or quote is taken as text. */
function asJson({ field, type }: Column): string {
  if (type === 'JSON') return `JSON_COMPACT(\`${field}\`)`;
  return ['DECIMAL', 'DATE', 'DATEONLY'].includes(type) ? `CAST(\`${field}\` AS CHAR)` : `\`${field}\``;
}

function revive(value: unknown, type: string): unknown {
  if (value === null || value === undefined) return null;
  if (type === 'DATE') return new Date(`${String(value).replace(' ', 'T')}Z`);
  if (type === 'BOOLEAN') return Boolean(value);
  return type === 'JSON' && typeof value === 'string' ? (JSON.parse(value) as unknown) : value;
}

const select = (name: string, { model, where, without = [], lock }: Wanted): string => {
  const fields = columnsOf(model, without).map((c) => `'${c.name}', ${asJson(c)}`);
  return `SELECT '${name}' AS wanted, JSON_OBJECT(${fields.join(', ')}) AS content FROM \`${model.tableName}\` WHERE ${where}${lock ? ' FOR UPDATE' : ''}`;
};

function compare(a: unknown, b: unknown): number {
  if (typeof a === 'string' && typeof b === 'string') return a.localeCompare(b, 'en');
  return Number(a) - Number(b);
}

/** Puts rows in their order, each as its values by attribute. */
function inOrder(
  rows: Record<string, unknown>[],
  { order = ['id'], backwards = false }: Pick<Wanted, 'order' | 'backwards'>,
): Record<string, unknown>[] {
  const by = order.map(
    (name) => (a: Record<string, unknown>, b: Record<string, unknown>) => compare(a[name], b[name]),
  );
  const sorted = rows.sort((a, b) => by.reduce((differs, one) => differs || one(a, b), 0));
  return backwards ? sorted.reverse() : sorted;
}

/** Each name's rows in their order, as their values by attribute. */
async function valuesOf(
  sequelize: Sequelize,
  all: readonly (readonly [string, Wanted])[],
  replacements: Readonly<Record<string, Value>>,
  transaction: Transaction | null,
): Promise<readonly (readonly [string, Record<string, unknown>[]])[]> {
  const said = await give<readonly { readonly wanted: string; readonly content: unknown }[]>(
    sequelize,
    all.map(([name, w]) => select(name, w)).join('\nUNION ALL\n'),
    replacements,
    transaction,
  );
  const found = new Map<string, Record<string, unknown>[]>(all.map(([name]) => [name, []]));
  for (const { wanted: name, content } of said) {
    const values = typeof content === 'string' ? (JSON.parse(content) as unknown) : content;
    found.get(name)?.push(values as Record<string, unknown>);
  }
  return all.map(([name, { model, without = [], ...how }]) => {
    const columns = columnsOf(model, without);
    const rows = (found.get(name) ?? []).map((values) => {
      const row: Record<string, unknown> = {};
      for (const c of columns) row[c.name] = revive(values[c.name], c.type);
      return row;
    });
    return [name, inOrder(rows, how)];
  });
}

/**
 * Reads rows of several tables in one statement. What belongs to one thing costs one way to the database, however many
 * tables it stands in. The rows are instances of their models and can be changed as any others. The parts follow each other
 * in a union: put together as one text each, MariaDB writes a file for every part that has long columns.
 * @param replacements values for the conditions' names
 */
export async function readTogether<W extends Readonly<Record<string, Wanted>>>(
  sequelize: Sequelize,
  wanted: W,
  replacements: Readonly<Record<string, Value>>,
  transaction: Transaction | null = null,
): Promise<RowsOf<W>> {
  const read = await valuesOf(sequelize, Object.entries(wanted), replacements, transaction);
  const rows = read.map(([name, all]) => {
    const model = wanted[name]?.model;
    return [name, all.map((values) => model?.build(values, { isNewRecord: false, raw: true }))];
  });
  return Object.fromEntries(rows) as unknown as RowsOf<W>;
}

/** The same for who only looks: rows without their models, whose making takes as long as the database. */
export async function seeTogether<W extends Readonly<Record<string, Wanted>>>(
  sequelize: Sequelize,
  wanted: W,
  replacements: Readonly<Record<string, Value>>,
  transaction: Transaction | null = null,
): Promise<SeenRowsOf<RowsOf<W>>> {
  const read = await valuesOf(sequelize, Object.entries(wanted), replacements, transaction);
  return Object.fromEntries(read) as unknown as SeenRowsOf<RowsOf<W>>;
}
