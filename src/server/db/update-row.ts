import type { Model, ModelStatic, Transaction } from 'sequelize';
import { give, type Value } from './give.ts';

const isSame = (a: unknown, b: unknown): boolean =>
  a === b || (a instanceof Date && b instanceof Date && a.getTime() === b.getTime());

/** A value as its column takes it: what is no plain one is kept as JSON. */
const asColumn = (value: unknown): Value =>
  value === null || typeof value !== 'object' || value instanceof Date
    ? (value as Value)
    : JSON.stringify(value);

/**
 * Writes what differs of a row that was read, as `row.update` does and in a third of its time: for what every key at the bench
 * changes. The row is as it was written afterwards.
 * @param changes attributes with their values; text, numbers, dates, what is kept as JSON
 */
export async function updateRow<M extends Model>(
  row: M,
  changes: Readonly<Partial<M['_attributes']>>,
  transaction: Transaction,
): Promise<void> {
  const model = row.constructor as ModelStatic<Model>;
  const { sequelize, tableName, primaryKeyAttribute: key } = model;
  if (!sequelize) throw new Error('this model belongs to no connection');
  const differ = Object.entries(changes as Readonly<Record<string, unknown>>).filter(
    ([name, value]) => !isSame(row.getDataValue(name as never), value),
  );
  if (differ.length === 0) return;
  const fields = model.getAttributes();
  const set = differ.map(([name]) => `\`${fields[name]?.field ?? name}\` = :${name}`);
  const values = Object.fromEntries(differ.map(([name, value]) => [name, asColumn(value)]));
  await give(
    sequelize,
    `UPDATE \`${tableName}\` SET ${set.join(', ')} WHERE \`${fields[key]?.field ?? key}\` = :its_key`,
    { ...values, its_key: row.get(key) as Value },
    transaction,
  );
  row.set(Object.fromEntries(differ) as never, { raw: true });
  for (const [name] of differ) row.changed(name as never, false);
}
