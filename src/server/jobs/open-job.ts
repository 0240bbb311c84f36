import type { Failure } from '../../contracts/failure.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Job } from '../db/models/jobs.ts';
import { readTogether } from '../db/read-together.ts';
import type { Work } from '../use-case/use-case.ts';

/** Loads a job that can still be changed, with its row locked. A closed job is sealed and refuses. */
export async function openJob({ models, t }: Work, jobId: number): Promise<Result<Job, Failure>> {
  const { sequelize } = models.Job;
  if (!sequelize) throw new Error('these models belong to no connection');
  const wanted = { job: { model: models.Job, where: 'id = :job', lock: true } } as const;
  const {
    job: [job],
  } = await readTogether(sequelize, wanted, { job: jobId }, t);
  if (!job) return fail({ code: 'not-found', message: 'There is no such job.' });
  if (job.state === 'closed')
    return fail({ code: 'closed', message: `Job ${job.number} is signed and closed.` });
  return ok(job);
}
