import type { Database } from '../db/connection.ts';
import { loadJob, type JobView } from '../leaves/load-job.ts';
import { openLink } from '../links/customer-link.ts';

/** The job whose sheet a link opens, as the shop itself would see it; null where the token opens nothing. */
export async function jobOfSheetLink(db: Database, token: string, now: Date): Promise<JobView | null> {
  const link = await openLink(db, token, 'sheet', now);
  const job = link && (await db.models.Job.findByPk(link.jobId, { attributes: ['number'] }));
  return job ? loadJob(db, job.number, now) : null;
}
