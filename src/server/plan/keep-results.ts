import { Op } from 'sequelize';
import type { Job } from '../db/models/jobs.ts';
import { readJob } from '../jobs/read-job.ts';
import type { Work } from '../use-case/use-case.ts';

/** Holds what is left against what the chosen plan said, place by place, and keeps both. */
export async function keepResults({ models, t, now }: Work, job: Job): Promise<void> {
  const choice = await models.PlanChoice.findOne({ where: { jobId: job.id }, transaction: t });
  if (!choice) return;
  const { standard } = await readJob(models, job, [], t);
  const left = new Map(
    standard
      .filter((r) => r.round === 'as-left' && r.notRepresentative === null)
      .map((r) => [r.key, r.value]),
  );
  const rows = choice.content.predicted.flatMap(({ key, value }) => {
    const achieved = left.get(key);
    if (achieved === undefined) return [];
    return [
      { jobId: job.id, place: key, predicted: value.toFixed(9), achieved: achieved.toFixed(9), at: now },
    ];
  });
  // What was taken back or is not representative any more is no result.
  const kept = rows.map((r) => r.place);
  await models.PlanResult.destroy({
    where: { jobId: job.id, ...(kept.length > 0 && { place: { [Op.notIn]: kept } }) },
    transaction: t,
  });
  if (rows.length > 0)
    await models.PlanResult.bulkCreate(rows, {
      updateOnDuplicate: ['predicted', 'achieved', 'at'],
      transaction: t,
    });
}
