import { ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { seenOnReceipt } from '../../core/job/views/receipt.ts';
import { readJob } from '../jobs/read-job.ts';

/** The customer has seen what was left, and initials it. What stood there is kept with the initials. */
export const giveReceipt = defineUseCase({
  name: 'desk.receipt',
  run: async (work, input) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const seen = seenOnReceipt(await readJob(models, opened.value, ['things', 'marks'], t));
    const receipt = await models.Receipt.create(
      {
        jobId: input.jobId,
        seen,
        name: input.name,
        initials: input.initials === null ? null : JSON.stringify(input.initials),
        givenBy: actor.personId,
        givenAt: now,
      },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: input.jobId,
      kind: 'receipt initialled',
      entity: 'receipt',
      entityId: receipt.id,
      fromVersion: null,
      data: { name: input.name, seen },
    });
    return ok({ receiptId: receipt.id });
  },
});
