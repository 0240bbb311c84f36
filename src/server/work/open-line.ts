import type { Failure } from '../../contracts/failure.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Job } from '../db/models/jobs.ts';
import type { WorkLine } from '../db/models/work.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import type { Work } from '../use-case/use-case.ts';

/** A line of an open job's work order, locked, at the version the screen saw. */
export async function openLine(
  work: Work,
  lineId: number,
  version: number,
): Promise<Result<{ line: WorkLine; job: Job }, Failure>> {
  const found = await work.models.WorkLine.findByPk(lineId, { transaction: work.t });
  if (!found) return fail({ code: 'not-found', message: 'This line is not on the work order any more.' });
  const opened = await openJob(work, found.jobId);
  if (!opened.ok) return opened;
  const line = await found.reload({ transaction: work.t, lock: work.t.LOCK.UPDATE });
  if (line.version !== version) {
    return conflict(work, line.finishedBy, `${line.title}: ${line.approval}, ${line.step}`, line.version);
  }
  return ok({ line, job: opened.value });
}
