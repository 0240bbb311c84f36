import type { Database } from '../../src/server/db/connection.ts';

const NOT_COUNTED = /^(START TRANSACTION|COMMIT|SET SESSION|ROLLBACK)/;

/** The statements something gives to the database, in their order. */
export async function statementsOf(db: Database, work: () => Promise<unknown>): Promise<readonly string[]> {
  const given: string[] = [];
  const { options } = db.sequelize as unknown as { options: { logging?: unknown } };
  options.logging = (sql: string) => void given.push(sql.replace(/^Executing \([^)]*\): /, ''));
  try {
    await work();
  } finally {
    options.logging = false;
  }
  return given.filter((s) => !NOT_COUNTED.test(s));
}

/** Gives the same statements bare, one after the other: what a screen cannot do without. */
export const giveBare = (db: Database, statements: readonly string[]) => async (): Promise<void> => {
  for (const sql of statements) await db.sequelize.query(sql);
};
