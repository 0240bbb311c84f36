import { QueryTypes, type Model, type ModelStatic, type Sequelize, type Transaction } from 'sequelize';

/** Rows of one model that are wanted, by a condition over its own columns and the replacements. */
export interface Wanted {
  readonly model: ModelStatic<Model>;
  /** SQL, with named replacements: `job_id = :job` */
  readonly where: string;
  /** SQL; by their numbers unless said otherwise */
  readonly order?: string;
  /** attributes that are not read: large ones nobody here looks at */
  readonly without?: readonly string[];
}

/** The rows of each of what was wanted. */
export type RowsOf<W> = {
  readonly [K in keyof W]: W[K] extends { readonly model: new () => infer M } ? M[] : never;
};

interface Column {
  readonly name: string;
  readonly field: string;
  readonly type: string;
}

function columnsOf(model: ModelStatic<Model>, without: readonly string[]): readonly Column[] {
  return Object.entries(model.getAttributes())
    .filter(([name]) => !without.includes(name))
    .map(([name, a]) => ({
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

const select = ({ model, where, order = 'id', without = [] }: Wanted): string => {
  const fields = columnsOf(model, without).map((c) => `'${c.name}', ${asJson(c)}`);
  return `(SELECT JSON_ARRAYAGG(JSON_OBJECT(${fields.join(', ')}) ORDER BY ${order}) FROM \`${model.tableName}\` WHERE ${where})`;
};

/**
 * Reads rows of several tables in one statement. What belongs to one thing costs one way to the database, however many
 * tables it stands in. The rows are instances of their models and can be changed as any others.
 * @param replacements values for the conditions' names
 */
export async function readTogether<W extends Readonly<Record<string, Wanted>>>(
  sequelize: Sequelize,
  wanted: W,
  replacements: Readonly<Record<string, unknown>>,
  transaction: Transaction | null = null,
): Promise<RowsOf<W>> {
  const all = Object.entries(wanted);
  const [row] = await sequelize.query<Record<string, unknown>>(
    `SELECT ${all.map(([name, w]) => `${select(w)} AS \`${name}\``).join(',\n')}`,
    { type: QueryTypes.SELECT, replacements, transaction },
  );
  const rowsOf = (name: string, { model, without = [] }: Wanted): Model[] => {
    const said = row?.[name] ?? [];
    const list = (typeof said === 'string' ? JSON.parse(said) : said) as Record<string, unknown>[];
    const columns = columnsOf(model, without);
    return list.map((values) =>
      model.build(Object.fromEntries(columns.map((c) => [c.name, revive(values[c.name], c.type)])), {
        isNewRecord: false,
        raw: true,
      }),
    );
  };
  return Object.fromEntries(all.map(([name, w]) => [name, rowsOf(name, w)])) as unknown as RowsOf<W>;
}
