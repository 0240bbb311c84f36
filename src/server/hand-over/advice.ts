import { ok } from '../../core/result.ts';
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
