import { setTimeout } from 'node:timers/promises';
import { Op, QueryTypes } from 'sequelize';
import { factsOf } from '../../core/job/facts.ts';
import { judge } from '../../core/job/judge.ts';
import type { Database } from '../db/connection.ts';
import { give } from '../db/give.ts';
import { sharedLoad } from '../db/shared-load.ts';
import type { Job } from '../db/models/jobs.ts';
import type { Work } from '../use-case/use-case.ts';
import { readJobNumber } from './read-job.ts';

const CHANGED_SQL = 'UPDATE jobs SET changes = :changes WHERE id = :id';

/**
 * Notes, in the change's own transaction, that a job's counts no longer hold, and saves the job. They are counted afterwards:
 * whoever changes something does not wait for the plan that follows from it.
 */
export async function countLater({ t }: Pick<Work, 't'>, job: Job): Promise<void> {
  const alone = job.changed() === false;
  job.changes += 1;
  if (!alone) {
    await job.save({ transaction: t });
    return;
  }
  // Most changes move nothing else of the job: they need not be gone through.
  await give(job.sequelize, CHANGED_SQL, { changes: job.changes, id: job.id }, t);
  job.changed('changes', false);
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

const DUE_SQL = "SELECT number FROM jobs WHERE state = 'open' AND counted < changes";

/** Counts the open jobs that wait for it, one after the other. One that cannot be counted holds no other up. */
async function countAll(db: Database, pause: (took: number) => Promise<unknown>): Promise<void> {
  const due = await db.sequelize.query<{ number: number }>(DUE_SQL, { type: QueryTypes.SELECT });
  const failed: unknown[] = [];
  for (const { number } of due) {
    const began = performance.now();
    await countJob(db, number).catch((error: unknown) => failed.push(error));
    await pause(performance.now() - began);
  }
  if (failed.length > 0) throw failed[0];
}

/** Counts every open job whose counts wait for it. Who asks while it runs is given the next run. */
export const countDue = (db: Database): Promise<void> =>
  sharedLoad('counts', () => countAll(db, () => Promise.resolve()));

/** While people work, a job is changed again and again: counted with each key, it would hold up every twentieth of them. */
const SOON_MS = 30_000;
/** Of the time of a processor no more than a fifth goes to counts nobody is looking at. */
const REST = 4;
const quietly = { ref: false } as const;
let counting = false;
let asked = false;

async function countGently(db: Database): Promise<void> {
  while (asked) {
    await setTimeout(SOON_MS, null, quietly);
    asked = false;
    await countAll(db, (took) => setTimeout(REST * took, null, quietly));
  }
}

/**
 * Counts a while later what changes have moved, so that whoever looks at the rack next finds it counted: gently, since people are
 * at work meanwhile. Who looks before does it at once.
 * @param failed is told what went wrong
 */
export function countSoon(db: Database, failed: (error: unknown) => void): void {
  asked = true;
  if (counting) return;
  counting = true;
  countGently(db)
    .catch(failed)
    .finally(() => (counting = false));
}
