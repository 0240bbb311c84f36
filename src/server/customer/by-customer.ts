import { Op, type Transaction } from 'sequelize';
import type { Database } from '../db/connection.ts';
import type { Job } from '../db/models/jobs.ts';
import { writeEntry, type EventFacts } from '../use-case/record-event.ts';
import { backToHands } from '../jobs/back-to-hands.ts';
import { countLater } from '../jobs/job-facts.ts';

/** A job with its row locked, for what a customer does by a link. */
export const lockedJob = ({ models }: Database, jobId: number, t: Transaction): Promise<Job | null> =>
  models.Job.findByPk(jobId, { transaction: t, lock: t.LOCK.UPDATE });

/** Writes what a customer did by a link to the log: nobody of the shop did it. */
export async function recordByCustomer(
  { models }: Database,
  t: Transaction,
  now: Date,
  e: EventFacts,
): Promise<void> {
  await writeEntry(models, t, { ...e, at: now, personId: null, deviceId: null });
}

/** Counts the job again after the customer's word; one that waited for it is ready for hands. */
export async function refreshAsCustomer(db: Database, job: Job, _now: Date, t: Transaction): Promise<void> {
  const open = await db.models.WorkLine.count({
    where: { jobId: job.id, approval: 'asked' },
    transaction: t,
  });
  if (open === 0) backToHands(job);
  await countLater({ t }, job);
}

/** Rings the bell of the desk, the leads and whoever holds the job. */
export async function ringDesk(
  { models }: Database,
  t: Transaction,
  now: Date,
  jobId: number,
  words: string,
): Promise<void> {
  const job = await models.Job.findByPk(jobId, { transaction: t });
  const people = await models.Person.findAll({
    where: {
      active: true,
      [Op.or]: [{ role: { [Op.in]: ['desk', 'lead', 'owner'] } }, { id: job?.holderId ?? 0 }],
    },
    transaction: t,
  });
  await models.Notice.bulkCreate(
    people.map((p) => ({
      personId: p.id,
      jobId,
      kind: 'customer' as const,
      words: words.slice(0, 240),
      at: now,
    })),
    { transaction: t },
  );
}
