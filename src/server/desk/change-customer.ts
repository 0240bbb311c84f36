import { refuse } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import type { Job } from '../db/models/jobs.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';

/** What opened for the wrong customer opens nothing any more, and what was written to them and has not left is not sent. */
async function closeWays({ models, t, now }: Work, job: Job): Promise<void> {
  const standing = { jobId: job.id, withdrawnAt: null };
  await models.CustomerLink.update({ withdrawnAt: now }, { where: standing, transaction: t });
  await models.Offer.update({ withdrawnAt: now }, { where: { ...standing, choice: null }, transaction: t });
  await models.MessageRow.update(
    { state: 'failed', trouble: 'the job has another customer', doneAt: now, body: '', calendar: null },
    { where: { jobId: job.id, state: 'waiting' }, transaction: t },
  );
}

/** Puts another customer on a job, known or new; the instrument goes with it where it is theirs. */
export const changeCustomer = defineUseCase({
  name: 'desk.change-customer',
  run: async (work, { jobId, version, customer: to, instrumentToo, why }) => {
    const { models, t, now } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    if (job.version !== version) return conflict(work, null, 'this job', job.version);
    const [before, after] = [
      await models.Customer.findByPk(job.customerId, { transaction: t }),
      'id' in to
        ? await models.Customer.findOne({ where: { id: to.id, mergedInto: null }, transaction: t })
        : await models.Customer.create({ ...to, createdAt: now }, { transaction: t }),
    ];
    if (!after) return fail(refuse('That customer is not in the book any more.'));
    if (after.id === job.customerId) return fail(refuse(`It is ${after.name}’s already.`));
    await closeWays(work, job);
    job.set({ customerId: after.id, version: version + 1 });
    await job.save({ transaction: t });
    if (instrumentToo)
      await models.Instrument.update(
        { customerId: after.id },
        { where: { id: job.instrumentId }, transaction: t },
      );
    await recordEvent(work, {
      jobId,
      kind: 'customer changed',
      entity: 'job',
      entityId: jobId,
      fromVersion: version,
      data: {
        before: { customerId: before?.id, name: before?.name },
        after: { customerId: after.id, name: after.name, instrumentToo },
        why,
      },
      names: [...(before ? [before] : []), after],
    });
    return ok({ customerId: after.id });
  },
});
