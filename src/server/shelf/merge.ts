import { learnLater } from '../learn/learn-later.ts';
import { refuse } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import type { Moved } from '../db/models/merges.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import type { Entity } from './load-duplicates.ts';

interface Entry {
  readonly id: number;
  readonly version: number;
  readonly mergedInto: number | null;
}

async function rowOf({ models, t }: Work, entity: Entity, id: number): Promise<Entry | null> {
  const at = { transaction: t, lock: t.LOCK.UPDATE };
  return entity === 'customer' ? models.Customer.findByPk(id, at) : models.Instrument.findByPk(id, at);
}

async function standing(work: Work, entity: Entity, id: number): Promise<Entry | null> {
  const row = await rowOf(work, entity, id);
  return row?.mergedInto === null ? row : null;
}

/** Lets an entry step back behind another, or stand by itself again. */
async function stepBack({ models, t }: Work, entity: Entity, { id, version }: Entry, into: number | null) {
  const [change, where] = [
    { mergedInto: into, version: version + 1 },
    { where: { id }, transaction: t },
  ];
  if (entity === 'customer') await models.Customer.update(change, where);
  else await models.Instrument.update(change, where);
}

/** What belongs to the one that goes, and would move to the one that stays. */
async function belongings({ models, t }: Work, entity: Entity, id: number): Promise<Moved> {
  const at = { attributes: ['id'], transaction: t };
  const [jobs, instruments] = await Promise.all([
    models.Job.findAll({ where: entity === 'customer' ? { customerId: id } : { instrumentId: id }, ...at }),
    entity === 'customer' ? models.Instrument.findAll({ where: { customerId: id }, ...at }) : [],
  ]);
  const own = { where: { instrumentId: id }, ...at };
  const [watches, parts, inside] =
    entity === 'customer'
      ? [[], [], []]
      : await Promise.all([
          models.Watch.findAll(own),
          models.KeptPart.findAll(own),
          models.InsidePart.findAll(own),
        ]);
  const ids = (rows: readonly { readonly id: number }[]): number[] => rows.map((r) => r.id);
  return {
    jobs: ids(jobs),
    instruments: ids(instruments),
    watches: ids(watches),
    parts: ids(parts),
    inside: ids(inside),
  };
}

async function give({ models, t }: Work, entity: Entity, moved: Moved, id: number): Promise<void> {
  const at = (ids: readonly number[]) => ({ where: { id: [...ids] }, transaction: t });
  await models.Job.update(entity === 'customer' ? { customerId: id } : { instrumentId: id }, at(moved.jobs));
  if (entity === 'customer') {
    await models.Instrument.update({ customerId: id }, at(moved.instruments));
    return;
  }
  await models.Watch.update({ instrumentId: id }, at(moved.watches ?? []));
  await models.KeptPart.update({ instrumentId: id }, at(moved.parts ?? []));
  await models.InsidePart.update({ instrumentId: id }, at(moved.inside ?? []));
}

/** Joins two that are one: jobs and instruments go to the one that is kept, the other steps back. Or says they are two. */
export const mergeRows = defineUseCase({
  name: 'shelf.merge',
  run: async (work, { entity, keepId, goneId, verdict }) => {
    const { models, t, actor, now } = work;
    if (keepId === goneId) return fail(refuse('These two are the same entry.'));
    const [keep, gone] = [await standing(work, entity, keepId), await standing(work, entity, goneId)];
    if (!keep || !gone) return fail(refuse('One of these two was joined with another meanwhile.'));
    const same = verdict === 'same';
    const moved = same ? await belongings(work, entity, goneId) : { jobs: [], instruments: [] };
    if (same && entity === 'instrument') {
      const here = await models.Job.count({
        where: { instrumentId: [keepId, goneId], state: 'open' },
        transaction: t,
      });
      if (here > 1)
        return fail(refuse('Both are in the house just now, each as a job of its own. Close one first.'));
    }
    if (same) {
      await give(work, entity, moved, keepId);
      await stepBack(work, entity, gone, keepId);
      if (entity === 'instrument') await learnLater(work, [keepId, goneId]);
    }
    const row = await models.Merge.create(
      { entity, verdict, keptId: keepId, goneId, moved, mergedBy: actor.personId, mergedAt: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: same ? `${entity}s joined` : `${entity}s kept apart`,
      entity,
      entityId: keepId,
      fromVersion: null,
      data: { goneId, moved },
    });
    return ok({ mergeId: row.id });
  },
});

/** Takes two apart again: what the joining moved goes back, what came since stays with the one that was kept. */
export const undoMerge = defineUseCase({
  name: 'shelf.undo-merge',
  run: async (work, { mergeId }) => {
    const { models, t, now } = work;
    const row = await models.Merge.findByPk(mergeId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!row || row.verdict !== 'same')
      return fail({ code: 'not-found', message: 'There is no such joining.' });
    if (row.undoneAt !== null) return ok({ mergeId });
    const { entity, keptId, goneId, moved } = row;
    await give(work, entity, moved, goneId);
    if (entity === 'instrument') await learnLater(work, [keptId, goneId]);
    const gone = await rowOf(work, entity, goneId);
    if (gone) await stepBack(work, entity, gone, null);
    await row.update({ undoneAt: now }, { transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: `${entity}s taken apart`,
      entity,
      entityId: keptId,
      fromVersion: null,
      data: { goneId, moved },
    });
    return ok({ mergeId });
  },
});
