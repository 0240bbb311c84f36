import type { Failure } from '../../contracts/failure.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Job } from '../db/models/jobs.ts';
import type { Work } from '../use-case/use-case.ts';

/** Loads a job that can still be changed, with its row locked. A closed job is sealed and refuses. */
export async function openJob({ models, t }: Work, jobId: number): Promise<Result<Job, Failure>> {
  const job = await models.Job.findByPk(jobId, { transaction: t, lock: t.LOCK.UPDATE });
  if (!job) return fail({ code: 'not-found', message: 'There is no such job.' });
  if (job.state === 'closed')
    return fail({ code: 'closed', message: `Job ${job.number} is signed and closed.` });
  return ok(job);
}
