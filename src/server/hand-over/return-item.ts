import { ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Gives back something that came with the instrument, or says why it is not there. */
export const returnItem = defineUseCase({
  name: 'hand-over.return',
  run: async (work, input) => {
    const { models, t, now, actor } = work;
    const item = await models.JobItem.findByPk(input.itemId, { transaction: t });
    if (!item)
      return { ok: false, error: { code: 'not-found', message: 'There is no such thing on this job.' } };
    const opened = await openJob(work, item.jobId);
    if (!opened.ok) return opened;
    await item.reload({ transaction: t, lock: t.LOCK.UPDATE });
    if (item.version !== input.version)
      return conflict(work, item.returnedBy, item.returnedAt ? 'returned' : 'not returned', item.version);
    const before = { returned: item.returnedAt !== null, absence: item.absence };
    await item.update(
      {
        returnedAt: input.returned ? now : null,
        returnedBy: input.returned ? actor.personId : null,
        absence: input.absence,
        version: item.version + 1,
      },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: item.jobId,
      kind: 'thing returned',
      entity: 'job item',
      entityId: item.id,
      fromVersion: input.version,
      data: { before, after: { returned: input.returned, absence: input.absence } },
    });
    return ok({ version: item.version });
  },
});
