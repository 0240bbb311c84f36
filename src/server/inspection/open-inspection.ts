import type { Job } from '../db/models/jobs.ts';
import { readTogether } from '../db/read-together.ts';
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

/**
 * What stands where an item is answered, in one statement: the job's lock, taken before, keeps every other writer of it away. The
 * inspection is begun where there is none yet.
 */
export async function standingItem(work: Work, job: Job, item: string) {
  const { models, t } = work;
  const ofJob = 'FROM inspections WHERE job_id = :job';
  const {
    instrument: [instrument],
    inspection: [begun],
    list: [list],
    known: [known],
  } = await readTogether(
    job.sequelize,
    {
      instrument: { model: models.Instrument, where: 'id = :instrument' },
      inspection: { model: models.Inspection, where: 'job_id = :job' },
      list: { model: models.ChecklistRow, where: `id = (SELECT checklist_id ${ofJob})` },
      known: {
        model: models.InspectionAnswer,
        where: `inspection_id = (SELECT id ${ofJob}) AND item = :item`,
      },
    } as const,
    { job: job.id, instrument: job.instrumentId, item },
    t,
  );
  if (begun && list) return { instrument, inspection: begun, checklist: list, known };
  return { instrument, ...(await openInspection(work, job)), known };
}
