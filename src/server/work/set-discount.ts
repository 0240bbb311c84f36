import { invalidField } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';

const WHOLE_SHARE = 10_000;

/** Takes something off a work order, with the reason it will be asked for. */
export const setDiscount = defineUseCase({
  name: 'work.discount',
  run: async (work, { jobId, version, kind, value, reason }) => {
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    if (job.version !== version) return conflict(work, job.holderId, 'this job', job.version);
    if (kind !== 'none' && reason === '') return fail(invalidField('reason', 'Why is it given?'));
    if (kind === 'share' && value > WHOLE_SHARE) return fail(invalidField('value', 'At most 100 %.'));
    const before = { kind: job.discountKind, value: job.discountValue, reason: job.discountReason };
    const after = kind === 'none' ? { kind, value: 0, reason: '' } : { kind, value, reason };
    job.set({
      discountKind: after.kind,
      discountValue: after.value,
      discountReason: after.reason,
      version: version + 1,
    });
    await job.save({ transaction: work.t });
    await recordEvent(work, {
      jobId,
      kind: 'discount given',
      entity: 'job',
      entityId: jobId,
      fromVersion: version,
      data: { before, after },
    });
    return ok({ version: job.version });
  },
});
