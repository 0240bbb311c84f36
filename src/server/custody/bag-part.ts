import { ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Puts a part that was taken off into the job's next numbered bag; it has to go back like everything that came. */
export const bagPart = defineUseCase({
  name: 'custody.bag',
  run: async (work, { jobId, name, state }) => {
    const { models, t } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const last = await models.JobItem.max<number, InstanceType<typeof models.JobItem>>('bag', {
      where: { jobId },
      transaction: t,
    });
    const bag = (last ?? 0) + 1;
    const item = await models.JobItem.create({ jobId, name, state, bag }, { transaction: t });
    await recordEvent(work, {
      jobId,
      kind: 'part bagged',
      entity: 'job item',
      entityId: item.id,
      fromVersion: null,
      data: { bag, name, state },
    });
    return ok({ bag });
  },
});
