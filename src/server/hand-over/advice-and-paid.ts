import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { openHandOver } from './open-hand-over.ts';

/** Keeps the advice in the bench's own words, and the day of the next check. */
export const saveAdvice = defineUseCase({
  name: 'hand-over.advice',
  run: async (work, { jobId, version, advice, nextCheck }) => {
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const sheet = await openHandOver(work, jobId);
    if (sheet.version !== version)
      return conflict(work, sheet.checkedBy, 'the hand-over sheet changed', sheet.version);
    const before = { advice: sheet.advice, nextCheck: sheet.nextCheck };
    await sheet.update({ advice, nextCheck, version: version + 1 }, { transaction: work.t });
    await recordEvent(work, {
      jobId,
      kind: 'advice written',
      entity: 'hand-over',
      entityId: sheet.id,
      fromVersion: version,
      data: { before, after: { advice, nextCheck } },
    });
    return ok({ version: version + 1 });
  },
});

/** Writes down what was paid and how. Rubrica moves no money. */
export const recordPaid = defineUseCase({
  name: 'hand-over.paid',
  run: async (work, { jobId, amountMinor, how, over }) => {
    const { models, t, now } = work;
    const job = await models.Job.findByPk(jobId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!job) return fail({ code: 'not-found', message: 'There is no such job.' });
    const sheet = await openHandOver(work, jobId);
    if (sheet.paidMinor !== over)
      return conflict(work, null, `a payment was written down (${sheet.paidHow})`, sheet.version);
    const before = { amount: sheet.paidMinor, how: sheet.paidHow };
    await sheet.update({ paidMinor: amountMinor, paidHow: how, paidAt: now }, { transaction: t });
    await recordEvent(work, {
      jobId,
      kind: 'paid',
      entity: 'hand-over',
      entityId: sheet.id,
      fromVersion: null,
      data: { before, after: { amount: amountMinor, how } },
    });
    return ok({ version: sheet.version });
  },
});
