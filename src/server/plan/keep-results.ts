import type { Job } from '../db/models/jobs.ts';
import { gatherJob } from '../job/gather-job.ts';
import type { Work } from '../use-case/use-case.ts';

/** Holds what is left against what the chosen plan said, place by place, and keeps both. */
export async function keepResults({ models, t, now }: Work, job: Job): Promise<void> {
  const choice = await models.PlanChoice.findOne({ where: { jobId: job.id }, transaction: t });
  if (!choice) return;
  const { standard } = await gatherJob(models, job, t);
  const left = new Map(
    standard
      .filter((r) => r.round === 'as-left' && r.notRepresentative === null)
      .map((r) => [r.key, r.value]),
  );
  for (const { key, value } of choice.content.predicted) {
    const achieved = left.get(key);
    if (achieved === undefined) continue;
    const values = { predicted: value.toFixed(9), achieved: achieved.toFixed(9), at: now };
    const known = await models.PlanResult.findOne({ where: { jobId: job.id, place: key }, transaction: t });
    if (known) await known.update(values, { transaction: t });
    else await models.PlanResult.create({ jobId: job.id, place: key, ...values }, { transaction: t });
  }
}
