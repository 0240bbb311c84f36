import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';

/** Never changed and never taken out: they may tell of what is gone. */
const APPEND_ONLY: ReadonlySet<string> = new Set(['events', 'seal_ledger', 'stock_moves']);

/** A table whose rows hang on those of another. */
interface Hanging {
  readonly child: string;
  readonly col: string;
  readonly parent: string;
  /** whether its rows have numbers of their own, on which others may hang */
  readonly numbered: boolean;
}

// The schema is named: asked for as a function, the server would look through every schema it has.
const KEYS_SQL = `SELECT TABLE_NAME AS child, COLUMN_NAME AS col, REFERENCED_TABLE_NAME AS parent
  FROM information_schema.KEY_COLUMN_USAGE WHERE TABLE_SCHEMA = :schema AND REFERENCED_COLUMN_NAME = 'id'`;
const COLUMNS_SQL = `SELECT TABLE_NAME AS child, COLUMN_NAME AS col FROM information_schema.COLUMNS
  WHERE TABLE_SCHEMA = :schema AND COLUMN_NAME IN ('id', 'job_id')`;

/** What hangs on what, by keys, and on jobs also by name. */
async function hangingIn(sequelize: Sequelize, transaction: Transaction): Promise<readonly Hanging[]> {
  const asked = {
    type: QueryTypes.SELECT,
    replacements: { schema: sequelize.getDatabaseName() },
    transaction,
  } as const;
  const keys = await sequelize.query<{ child: string; col: string; parent: string }>(KEYS_SQL, asked);
  const columns = await sequelize.query<{ child: string; col: string }>(COLUMNS_SQL, asked);
  const numbered = new Set(columns.filter((c) => c.col === 'id').map((c) => c.child));
  const named = columns.filter((c) => c.col === 'job_id').map((c) => ({ ...c, parent: 'jobs' }));
  const all = new Map([...keys, ...named].map((k) => [`${k.child}.${k.col}.${k.parent}`, k]));
  return [...all.values()].map((k) => ({ ...k, numbered: numbered.has(k.child) }));
}

const MOST_AT_ONCE = 500;

/** Something that never goes hangs on it. */
export class InUse extends Error {}

/** What hangs on which rows, asked once and used for several. */
export class RowsOut {
  private readonly sequelize: Sequelize;
  private readonly t: Transaction;
  private readonly hanging: readonly Hanging[];

  private constructor(sequelize: Sequelize, t: Transaction, hanging: readonly Hanging[]) {
    this.sequelize = sequelize;
    this.t = t;
    this.hanging = hanging;
  }

  static async of(sequelize: Sequelize, t: Transaction): Promise<RowsOut> {
    return new RowsOut(sequelize, t, await hangingIn(sequelize, t));
  }

  private async idsIn(table: string, column: string, ids: readonly number[]): Promise<number[]> {
    const rows = await this.sequelize.query<{ id: number }>(
      `SELECT id FROM \`${table}\` WHERE \`${column}\` IN (:ids)`,
      { type: QueryTypes.SELECT, replacements: { ids: [...ids] }, transaction: this.t },
    );
    return rows.map((r) => Number(r.id));
  }

  /**
   * Takes rows out, with everything that hangs on them, however deep.
   * @throws InUse where something hangs on them that is never taken out
   */
  async take(table: string, ids: readonly number[]): Promise<void> {
    if (ids.length === 0) return;
    for (let at = 0; at < ids.length; at += MOST_AT_ONCE)
      await this.takeSome(table, ids.slice(at, at + MOST_AT_ONCE));
  }

  private async takeSome(table: string, ids: readonly number[]): Promise<void> {
    for (const { child, col, numbered } of this.hanging.filter((h) => h.parent === table)) {
      if (child === 'events' || child === 'seal_ledger') continue;
      const at = { replacements: { ids: [...ids] }, transaction: this.t };
      if (APPEND_ONLY.has(child)) {
        const [found] = await this.sequelize.query<{ n: number }>(
          `SELECT COUNT(*) AS n FROM \`${child}\` WHERE \`${col}\` IN (:ids)`,
          { ...at, type: QueryTypes.SELECT },
        );
        if (Number(found?.n) > 0) throw new InUse(child);
        continue;
      }
      // A row may hang on one of its own kind: they all go at once below.
      if (numbered && child !== table) await this.take(child, await this.idsIn(child, col, ids));
      else if (child !== table)
        await this.sequelize.query(`DELETE FROM \`${child}\` WHERE \`${col}\` IN (:ids)`, at);
      else
        await this.sequelize.query(
          `UPDATE \`${child}\` SET \`${col}\` = NULL WHERE \`${col}\` IN (:ids)`,
          at,
        );
    }
    await this.sequelize.query(`DELETE FROM \`${table}\` WHERE id IN (:ids)`, {
      replacements: { ids: [...ids] },
      transaction: this.t,
    });
  }

  /** Lets nobody else change these rows, or hang anything on them, until what is done here is done. */
  async hold(table: string, ids: readonly number[]): Promise<void> {
    if (ids.length > 0)
      await this.sequelize.query(`SELECT id FROM \`${table}\` WHERE id IN (:ids) FOR UPDATE`, {
        type: QueryTypes.SELECT,
        replacements: { ids: [...ids] },
        transaction: this.t,
      });
  }

  /** Those of some rows that nothing hangs on, but for what the log keeps apart. */
  async unused(table: string, ids: readonly number[]): Promise<number[]> {
    const used = new Set<number>();
    for (const { child, col } of this.hanging.filter((h) => h.parent === table && h.child !== 'event_words'))
      for (let at = 0; at < ids.length; at += MOST_AT_ONCE)
        for (const { id } of await this.sequelize.query<{ id: number }>(
          `SELECT DISTINCT \`${col}\` AS id FROM \`${child}\` WHERE \`${col}\` IN (:ids)`,
          {
            type: QueryTypes.SELECT,
            replacements: { ids: ids.slice(at, at + MOST_AT_ONCE) },
            transaction: this.t,
          },
        ))
          used.add(Number(id));
    return ids.filter((id) => !used.has(id));
  }
}
