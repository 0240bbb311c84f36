import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Keeps that the customer was called, among what was written to them: they know, or nobody answered. */
export const noteCall = defineUseCase({
  name: 'desk.called',
  run: async (work, { jobId, purpose, reached, note }) => {
    const { models, t, actor, now } = work;
    const job = await models.Job.findByPk(jobId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!job) return fail({ code: 'not-found', message: 'There is no such job.' });
    const customer = await models.Customer.findByPk(job.customerId, { transaction: t });
    const row = await models.MessageRow.create(
      {
        jobId,
        purpose,
        channel: 'call',
        address: customer?.phone ?? '',
        subject: note,
        body: '',
        state: reached ? 'delivered' : 'failed',
        trouble: reached ? '' : 'nobody answered',
        wentBy: 'telephone',
        madeBy: actor.personId,
        madeAt: now,
        dueAt: now,
        doneAt: now,
      },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId,
      kind: 'customer called',
      entity: 'message',
      entityId: row.id,
      fromVersion: null,
      data: { purpose, reached, note },
    });
    return ok({ messageId: row.id });
  },
});
