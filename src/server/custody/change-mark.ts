import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Says a mark in other words, or takes it away; its history stays among the job's events. */
export const changeMark = defineUseCase({
  name: 'custody.change-mark',
  run: async (work, { markId, version, words, removed }) => {
    const { models, t, now } = work;
    const mark = await models.Mark.findByPk(markId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!mark) return fail({ code: 'not-found', message: 'There is no such mark.' });
    const opened = await openJob(work, mark.jobId);
    if (!opened.ok) return opened;
    if (mark.version !== version) return conflict(work, mark.markedBy, mark.words, mark.version);
    const before = { words: mark.words, removed: mark.removedAt !== null };
    await mark.update(
      { words, removedAt: removed ? now : null, markedBy: work.actor.personId, version: version + 1 },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: mark.jobId,
      kind: removed ? 'damage mark taken away' : 'damage mark changed',
      entity: 'mark',
      entityId: markId,
      fromVersion: version,
      data: { before, after: { words, removed } },
    });
    return ok({ version: mark.version });
  },
});
