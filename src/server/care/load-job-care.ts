import { careOfInstrument } from '../../core/care/where-it-counts.ts';
import { partsOf } from '../../core/care/surfaces.ts';
import type { Database } from '../db/connection.ts';
import { readShop } from '../house/read-shop.ts';

/** What may touch the instrument of a job, part by part, at its steps and at the items of its inspection; null when there is none. */
export async function loadJobCare({ models }: Pick<Database, 'models'>, number: number) {
  const job = await models.Job.findOne({ where: { number }, attributes: ['instrumentId'] });
  const instrument = job && (await models.Instrument.findByPk(job.instrumentId));
  if (!instrument) return null;
  const { care } = await readShop(models);
  return {
    instrument: `${instrument.maker} ${instrument.model}`.trim(),
    parts: partsOf(instrument.construction),
    ...careOfInstrument(care, instrument.construction),
  };
}

export type LoadedJobCare = NonNullable<Awaited<ReturnType<typeof loadJobCare>>>;
