import { Op, QueryTypes } from 'sequelize';
import { factsOf } from '../../core/job/facts.ts';
import { judge } from '../../core/job/judge.ts';
import type { Database } from '../db/connection.ts';
import { sharedLoad } from '../db/shared-load.ts';
import type { Job } from '../db/models/jobs.ts';
import type { Work } from '../use-case/use-case.ts';
import { readJobNumber } from './read-job.ts';

/**
 * Notes, in the change's own transaction, that a job's counts no longer hold, and saves the job. They are counted afterwards:
 * whoever changes something does not wait for the plan that follows from it.
 */
export async function countLater({ t }: Pick<Work, 't'>, job: Job): Promise<void> {
  job.changes += 1;
  await job.save({ transaction: t });
}

/**
 * Counts one job as it stands and keeps the counts, unless somebody has counted a later state meanwhile. The job with its
 * number of changes is read in one statement, so that both belong together; nothing is locked.
 */
async function countJob({ models }: Database, number: number): Promise<void> {
  const g = await readJobNumber(models, number);
  if (!g) return;
  const { id, changes } = g.job;
  await models.Job.update(
    { facts: factsOf(g, judge(g)), counted: changes },
    { where: { id, counted: { [Op.lt]: changes } } },
  );
}

const DUE_SQL = "SELECT number FROM jobs WHERE state = 'open' AND counted < changes ORDER BY number";

async function countNow(db: Database): Promise<void> {
  const due = await db.sequelize.query<{ number: number }>(DUE_SQL, { type: QueryTypes.SELECT });
  const failed: unknown[] = [];
  // One that cannot be counted holds no other up.
  for (const { number } of due) await countJob(db, number).catch((error: unknown) => failed.push(error));
  if (failed.length > 0) throw failed[0];
}

/** Counts every open job whose counts wait for it. Who asks while it runs is given the next run. */
export const countDue = (db: Database): Promise<void> => sharedLoad('counts', () => countNow(db));

const SOON_MS = 250;
let waiting: NodeJS.Timeout | null = null;

/**
 * Counts a little later what a change has moved, once for all changes of that moment.
 * @param failed is told what went wrong; whoever looks at the rack next counts it
 */
export function countSoon(db: Database, failed: (error: unknown) => void): void {
  waiting ??= setTimeout(() => {
    waiting = null;
    countDue(db).catch(failed);
  }, SOON_MS);
}
