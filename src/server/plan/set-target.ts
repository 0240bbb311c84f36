import { invalidField } from '../../contracts/failure.ts';
import { ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { countLater } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/**
 * Sets a target of this job with its reason: the customer's wish or the job's own layer, for a side or one string, in
 * numbers or against what stands there now.
 */
export const setTarget = defineUseCase({
  name: 'plan.target',
  run: async (work, input) => {
    const { models, t } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    if (!(input.low <= input.aim && input.aim <= input.high)) {
      return { ok: false, error: invalidField('aim', 'The aim must lie between low and high.') };
    }
    const where = {
      jobId: input.jobId,
      quantity: input.quantity,
      side: input.side,
      stringNo: input.string ?? 0,
      layer: input.layer ?? ('job' as const),
    };
    const known = await models.JobTarget.findOne({ where, transaction: t, lock: t.LOCK.UPDATE });
    if ((known?.version ?? 0) !== input.version)
      return conflict(work, null, `aim ${Number(known?.aim)}`, known?.version ?? 0);
    const after = {
      low: input.low.toFixed(9),
      aim: input.aim.toFixed(9),
      high: input.high.toFixed(9),
      reason: input.reason,
      relative: input.relative ?? null,
      version: input.version + 1,
    };
    const before = known && { low: known.low, aim: known.aim, high: known.high, relative: known.relative };
    if (known) await known.update(after, { transaction: t });
    else await models.JobTarget.create({ ...where, ...after }, { transaction: t });
    await countLater(work, opened.value);
    await recordEvent(work, {
      jobId: input.jobId,
      kind: 'target set',
      entity: 'target',
      entityId: `${where.layer}:${input.quantity}:${input.side}:${where.stringNo}`,
      fromVersion: input.version,
      data: { before, after },
    });
    return ok({ version: after.version });
  },
});
