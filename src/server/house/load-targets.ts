import { SHIPPED_TARGETS } from '../../core/targets/shop-targets.ts';
import type { Database } from '../db/connection.ts';

/** What the shop aims at now, and every version before it, newest first. Version 0 is what ships. */
export async function loadTargets({ models }: Pick<Database, 'models'>) {
  const [rows, people] = await Promise.all([
    models.TargetVersion.findAll({ order: [['version', 'DESC']] }),
    models.Person.findAll({ attributes: ['id', 'name'] }),
  ]);
  const versions = rows.map((r) => ({
    version: r.version,
    targets: r.targets,
    note: r.note,
    by: people.find((p) => p.id === r.savedBy)?.name ?? '',
    at: r.savedAt.toISOString(),
  }));
  return { version: rows[0]?.version ?? 0, targets: rows[0]?.targets ?? SHIPPED_TARGETS, versions };
}

export type LoadedTargets = Awaited<ReturnType<typeof loadTargets>>;
