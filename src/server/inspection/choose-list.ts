import { refuse } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { countLater } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Chooses by which list a job is inspected, as long as nothing is answered yet. */
export const chooseList = defineUseCase({
  name: 'inspection.choose-list',
  run: async (work, { jobId, list }) => {
    const { models, t } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    if ((await models.ChecklistRow.count({ where: { list }, transaction: t })) === 0) {
      return fail(refuse('The shop has no such list.'));
    }
    const inspection = await models.Inspection.findOne({
      where: { jobId },
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if (inspection) {
      const answers = await models.InspectionAnswer.count({
        where: { inspectionId: inspection.id },
        transaction: t,
      });
      if (answers > 0) return fail(refuse('This inspection has begun: it keeps its list.'));
      await inspection.destroy({ transaction: t });
    }
    const before = job.list;
    job.list = list;
    await countLater(work, job);
    await recordEvent(work, {
      jobId,
      kind: 'list chosen',
      entity: 'job',
      entityId: jobId,
      fromVersion: null,
      data: { before, after: list },
    });
    return ok({ list });
  },
});
