import { ok } from '../../core/result.ts';
import { SHIPPED_CARE } from '../../core/care/care.ts';
import type { Database } from '../db/connection.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** What may touch what, as the shop says it now, and every version before it, newest first. Version 0 is what ships. */
export async function loadCare({ models }: Pick<Database, 'models'>) {
  const [rows, people] = await Promise.all([
    models.CareVersion.findAll({ order: [['version', 'DESC']] }),
    models.Person.findAll({ attributes: ['id', 'name'] }),
  ]);
  const versions = rows.map((r) => ({
    version: r.version,
    care: r.care,
    note: r.note,
    by: people.find((p) => p.id === r.savedBy)?.name ?? '',
    at: r.savedAt.toISOString(),
  }));
  return { version: rows[0]?.version ?? 0, care: rows[0]?.care ?? SHIPPED_CARE, versions };
}

export type LoadedCare = Awaited<ReturnType<typeof loadCare>>;

/** Keeps what may touch what as its next version. */
export const saveCare = defineUseCase({
  name: 'house.save-care',
  run: async (work, { version, care, note }) => {
    const { models, t, actor, now } = work;
    const newest = await models.CareVersion.findOne({
      order: [['version', 'DESC']],
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    const at = newest?.version ?? 0;
    if (at !== version) return conflict(work, newest?.savedBy ?? null, `version ${at}`, at);
    await models.CareVersion.create(
      { version: at + 1, care, note, savedBy: actor.personId, savedAt: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: 'care saved',
      entity: 'care',
      entityId: at + 1,
      fromVersion: at,
      data: { note },
    });
    return ok({ version: at + 1 });
  },
});
