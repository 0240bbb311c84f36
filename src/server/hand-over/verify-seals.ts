import { Op } from 'sequelize';
import type { Database } from '../db/connection.ts';
import { ledgerTroubles } from '../ledger/ledger.ts';
import { readJob } from '../jobs/read-job.ts';
import { checkSeal, RECORD_PARTS } from './sealed-record.ts';

/** A seal that no longer fits its record: the job and the parts that differ. */
export interface BrokenSeal {
  readonly job: number;
  readonly changed: readonly string[];
}

/**
 * Builds every sealed record again and compares it with its seal, earlier signatures of reopened jobs too; and holds seals and log
 * against the ledger, which nobody without the house's secret can write.
 * @returns how many seals are whole, those that broke, and in words what does not fit the ledger
 */
export async function verifySeals(db: Database) {
  const { models } = db;
  const [sealed, earlier] = await Promise.all([
    models.HandOver.findAll({ where: { digest: { [Op.ne]: null } }, attributes: ['jobId'] }),
    models.EarlierSeal.findAll({ attributes: ['jobId'] }),
  ]);
  const broken: BrokenSeal[] = [];
  let whole = 0;
  for (const jobId of new Set([...sealed, ...earlier].map((s) => s.jobId))) {
    const job = await models.Job.findByPk(jobId);
    if (!job) continue;
    const seal = await checkSeal(models, await readJob(models, job, RECORD_PARTS));
    if (seal.kind === 'broken') broken.push({ job: job.number, changed: seal.changed });
    else if (seal.kind === 'whole') whole++;
  }
  return { whole, broken: broken.sort((a, b) => a.job - b.job), ledger: await ledgerTroubles(db) };
}
