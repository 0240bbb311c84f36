import type { BaseError, Sequelize, Transaction } from 'sequelize';
import { readAgain } from './cluster.ts';
import { isDeadlock } from './is-deadlock.ts';

/** What stands for a name in a statement. */
export type Value = string | number | boolean | Date | null | undefined | readonly (string | number)[];

/** The driver's connection, as far as it is asked here. */
interface Connection {
  readonly execute: (sql: string, values: readonly unknown[]) => Promise<unknown>;
  readonly query: (sql: string, values: readonly unknown[]) => Promise<unknown>;
}

/** What Sequelize has and does not declare. */
interface Inner {
  readonly options: { readonly logging?: false | ((sql: string) => void) };
  readonly dialect: {
    readonly Query: new (
      connection: unknown,
      sequelize: Sequelize,
      options: object,
    ) => { formatError: (error: unknown, stack?: string) => BaseError };
  };
}

/** As the columns of the house are: to the millisecond, UTC. */
const asKept = (value: Value): unknown =>
  value instanceof Date ? value.toISOString().slice(0, 23).replace('T', ' ') : (value ?? null);

type Values = Readonly<Record<string, Value>>;

const NAME = /:([a-zA-Z]\w*)/g;
const ONLY_READS = /^\s*SELECT\b/i;

/** Puts a question mark where a name stands that has a value; a list has one for each of its own. */
function withMarks(sql: string, values: Values): { text: string; given: unknown[]; lists: boolean } {
  const given: unknown[] = [];
  let lists = false;
  const text = sql.replace(NAME, (whole, name: string) => {
    if (!Object.hasOwn(values, name)) return whole;
    const value = values[name];
    if (!Array.isArray(value)) {
      given.push(asKept(value as Value));
      return '?';
    }
    lists = true;
    given.push(...(value as readonly unknown[]));
    return value.length === 0 ? 'NULL' : value.map(() => '?').join(', ');
  });
  return { text, given, lists };
}

async function onConnection(
  sequelize: Sequelize,
  connection: Connection,
  sql: string,
  values: Values,
): Promise<unknown> {
  const { options, dialect } = sequelize as unknown as Inner;
  const { text, given, lists } = withMarks(sql, values);
  if (typeof options.logging === 'function') {
    let at = 0;
    options.logging(text.replace(/\?/g, () => sequelize.escape(given[at++] as string)));
  }
  try {
    // A list has another text for each length: it is not worth keeping.
    return lists ? await connection.query(text, given) : await connection.execute(text, given);
  } catch (error) {
    throw new dialect.Query(connection, sequelize, {}).formatError(error);
  }
}

/** Whose statements are under way. */
const underWay = new WeakMap<Transaction, number>();

/**
 * Gives a statement within a transaction. What it writes goes out one after the other: where one of two that are sent at once is
 * given up for another transaction's sake, the database undoes the whole, and the second would stand by itself.
 */
async function within(sequelize: Sequelize, t: Transaction, sql: string, values: Values): Promise<unknown> {
  const { connection, finished } = t as unknown as {
    readonly connection?: Connection;
    readonly finished?: string;
  };
  if (!connection || finished !== undefined) throw new Error('this transaction has ended');
  const others = underWay.get(t) ?? 0;
  if (others > 0 && !ONLY_READS.test(sql)) throw new Error('a transaction writes one after the other');
  underWay.set(t, others + 1);
  try {
    return await onConnection(sequelize, connection, sql, values);
  } catch (error) {
    // It is undone already: nothing that is given afterwards may stand by itself.
    if (isDeadlock(error) && (t as { readonly finished?: string }).finished === undefined)
      await t.rollback().catch(() => undefined);
    throw error;
  } finally {
    underWay.set(t, (underWay.get(t) ?? 1) - 1);
  }
}

/**
 * Gives a statement straight to the driver, which has it prepared the first time on each connection: the database need not read
 * kilobytes of it anew, and nothing is built around it. For the few statements that every screen and every change gives; errors
 * are Sequelize's own.
 * @param sql with `:name` where a value stands; a list in round brackets, `IN (:ids)`
 * @param values by name; moments are given as their columns keep them, UTC to the millisecond
 * @param transaction whose connection it is given on; null: one of the pool, for what is only read
 * @returns the rows of a SELECT; else what the driver says of what was done
 * @throws DatabaseError, UniqueConstraintError, ConnectionError as Sequelize does; Error where the transaction has ended, or writes
 *   two things at once
 */
export async function give<T>(
  sequelize: Sequelize,
  sql: string,
  values: Values,
  transaction: Transaction | null = null,
): Promise<T> {
  if (transaction) return (await within(sequelize, transaction, sql, values)) as T;
  const { connectionManager } = sequelize;
  return readAgain(sequelize, async () => {
    const connection = await connectionManager.getConnection({ type: 'read' });
    try {
      return (await onConnection(sequelize, connection as unknown as Connection, sql, values)) as T;
    } finally {
      connectionManager.releaseConnection(connection);
    }
  });
}
