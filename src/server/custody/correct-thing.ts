import { refuse } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Corrects what came with an instrument, until it is signed; what stood there and why it changed are in the log. */
export const correctThing = defineUseCase({
  name: 'custody.thing',
  run: async (work, { jobId, item: meant, name, state, removed, why }) => {
    const { models, t } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const known =
      meant === null
        ? null
        : await models.JobItem.findOne({
            where: { id: meant.id, jobId },
            transaction: t,
            lock: t.LOCK.UPDATE,
          });
    if (meant !== null && known === null)
      return fail({ code: 'not-found', message: 'There is no such thing on this job.' });
    if (known && meant && known.version !== meant.version)
      return conflict(work, known.returnedBy, known.name, known.version);
    if (removed && known === null) return fail(refuse('There is nothing to take out.'));
    if (removed && known?.returnedAt) return fail(refuse('It was given back: it was there.'));
    const before = known && { name: known.name, state: known.state };
    let itemId = known?.id ?? 0;
    if (removed) await known?.destroy({ transaction: t });
    else if (known) await known.update({ name, state, version: known.version + 1 }, { transaction: t });
    else itemId = (await models.JobItem.create({ jobId, name, state }, { transaction: t })).id;
    await recordEvent(work, {
      jobId,
      kind: 'thing corrected',
      entity: 'job item',
      entityId: itemId,
      fromVersion: meant?.version ?? null,
      data: { before, after: removed ? null : { name, state }, why },
    });
    return ok({ itemId });
  },
});
