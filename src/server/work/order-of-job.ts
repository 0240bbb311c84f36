import { agreedOperation } from '../../core/catalogue/operations.ts';
import { isNeckFirst, orderRules, type OrderRules } from '../../core/work/order-rules.ts';
import type { Job } from '../db/models/jobs.ts';
import type { WorkLine } from '../db/models/work.ts';
import { catalogueOf } from '../house/load-operations.ts';
import type { Work } from '../use-case/use-case.ts';

/** What the order of a job's work goes by, as its bench sees it. */
export async function orderOfJob(
  { models, t }: Work,
  job: Job,
  lines: readonly WorkLine[],
): Promise<OrderRules> {
  const [catalogue, instrument, inspections] = await Promise.all([
    catalogueOf(models, t),
    models.Instrument.findByPk(job.instrumentId, { transaction: t, rejectOnEmpty: true }),
    models.Inspection.findAll({ where: { jobId: job.id }, transaction: t }),
  ]);
  const found = await models.InspectionAnswer.findAll({
    where: { inspectionId: inspections.map((i) => i.id), answer: 'work' },
    transaction: t,
  });
  const agreed = lines.map((l) => agreedOperation(l, catalogue));
  return orderRules(agreed, catalogue, isNeckFirst(instrument.construction.rodNut, found));
}
