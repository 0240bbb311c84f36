import type { Work } from '../use-case/use-case.ts';

/** The job's hand-over sheet, locked; begun empty when there is none. */
export async function openHandOver({ models, t }: Work, jobId: number) {
  const known = await models.HandOver.findOne({ where: { jobId }, transaction: t, lock: t.LOCK.UPDATE });
  return known ?? models.HandOver.create({ jobId, checks: {} }, { transaction: t });
}
