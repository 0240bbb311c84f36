import { readJobQuery, writeJobQuery } from '../../core/find/job-query.ts';
import { fail, ok } from '../../core/result.ts';
import type { Database } from '../db/connection.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Keeps how the list of jobs is looked at, under a name of one's own. */
export const keepView = defineUseCase({
  name: 'shelf.keep-view',
  run: async (work, { name, query, hidden }) => {
    const { models, t, actor, now } = work;
    // Only what the list understands is kept, from its first page.
    const read = readJobQuery(Object.fromEntries(new URLSearchParams(query)));
    const row = { query: writeJobQuery({ ...read, page: 1 }), hidden: hidden.join(), keptAt: now };
    const where = { personId: actor.personId, name };
    const known = await models.SavedView.findOne({ where, transaction: t, lock: t.LOCK.UPDATE });
    const kept = known
      ? await known.update(row, { transaction: t })
      : await models.SavedView.create({ ...where, ...row }, { transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: 'view kept',
      entity: 'view',
      entityId: kept.id,
      fromVersion: null,
      data: { name },
    });
    return ok({ viewId: kept.id });
  },
});

/** Drops a view of one's own. */
export const dropView = defineUseCase({
  name: 'shelf.drop-view',
  run: async (work, { viewId }) => {
    const { models, t, actor } = work;
    const row = await models.SavedView.findOne({
      where: { id: viewId, personId: actor.personId },
      transaction: t,
    });
    if (!row) return fail({ code: 'not-found', message: 'There is no such view of yours.' });
    await row.destroy({ transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: 'view dropped',
      entity: 'view',
      entityId: viewId,
      fromVersion: null,
      data: { name: row.name },
    });
    return ok({ viewId });
  },
});

/** A person's own views, by their names. */
export async function loadViews({ models }: Pick<Database, 'models'>, personId: number) {
  const rows = await models.SavedView.findAll({ where: { personId }, order: [['name', 'ASC']] });
  return rows.map(({ id, name, query, hidden }) => ({
    id,
    name,
    query,
    hidden: hidden === '' ? [] : hidden.split(','),
  }));
}

export type LoadedView = Awaited<ReturnType<typeof loadViews>>[number];
