import { refuse } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { openHandOver } from './open-hand-over.ts';

/** A second person puts their name to the bench check: never the one who made it. */
export const secondCheck = defineUseCase({
  name: 'hand-over.second',
  run: async (work, { jobId, version }) => {
    const { t, now, actor } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const sheet = await openHandOver(work, jobId);
    if (sheet.version !== version)
      return conflict(work, sheet.checkedBy, 'bench check changed', sheet.version);
    if (sheet.checkedAt === null) return fail(refuse('The bench check is not complete yet.'));
    if (sheet.checkedBy === actor.personId)
      return fail(refuse('Somebody else than who made the check: that is what it is for.'));
    await sheet.update({ secondBy: actor.personId, secondAt: now, version: version + 1 }, { transaction: t });
    await recordEvent(work, {
      jobId,
      kind: 'bench checked again',
      entity: 'hand-over',
      entityId: sheet.id,
      fromVersion: version,
      data: { checkedBy: sheet.checkedBy },
    });
    return ok({ version: version + 1 });
  },
});
