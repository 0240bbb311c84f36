import type { Transaction } from 'sequelize';
import { OPERATIONS, wholeOperation } from '../../core/catalogue/operations.ts';
import type { Database } from '../db/connection.ts';
import type { Models } from '../db/models/index.ts';

/** What the shop offers now: its newest version, or what ships. */
export async function catalogueOf(models: Models, t: Transaction | null = null) {
  const newest = await models.OperationVersion.findOne({ order: [['version', 'DESC']], transaction: t });
  return newest?.operations.map(wholeOperation) ?? OPERATIONS;
}

/** What the shop offers, and every version of it, newest first. Version 0 is what ships. */
export async function loadOperations({ models }: Pick<Database, 'models'>) {
  const [rows, people] = await Promise.all([
    models.OperationVersion.findAll({ order: [['version', 'DESC']] }),
    models.Person.findAll({ attributes: ['id', 'name'] }),
  ]);
  return {
    version: rows[0]?.version ?? 0,
    operations: rows[0]?.operations.map(wholeOperation) ?? OPERATIONS,
    versions: rows.map((r) => ({
      version: r.version,
      operations: r.operations.map(wholeOperation),
      note: r.note,
      by: people.find((p) => p.id === r.savedBy)?.name ?? '',
      at: r.savedAt.toISOString(),
    })),
  };
}

export type LoadedOperations = Awaited<ReturnType<typeof loadOperations>>;
