import type { Job } from '../db/models/jobs.ts';
import type { Work } from '../use-case/use-case.ts';

/** The job's inspection, begun with the newest checklist when there is none yet. */
export async function openInspection({ models, t }: Work, job: Pick<Job, 'id' | 'list'>) {
  const jobId = job.id;
  const known = await models.Inspection.findOne({ where: { jobId }, transaction: t, lock: t.LOCK.UPDATE });
  const checklist = known
    ? await models.ChecklistRow.findByPk(known.checklistId, { transaction: t })
    : await models.ChecklistRow.findOne({
        where: { list: job.list },
        order: [['version', 'DESC']],
        transaction: t,
      });
  if (!checklist) throw new Error('the shop has no checklist');
  const inspection =
    known ?? (await models.Inspection.create({ jobId, checklistId: checklist.id }, { transaction: t }));
  return { inspection, checklist };
}
