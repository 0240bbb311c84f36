import { ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Marks damage that is already there: a place on one of the instrument's drawings, and words. */
export const markDamage = defineUseCase({
  name: 'custody.mark',
  run: async (work, { jobId, view, x, y, words }) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const mark = await models.Mark.create(
      { jobId, view, x: x.toFixed(5), y: y.toFixed(5), words, markedBy: actor.personId, markedAt: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId,
      kind: 'damage marked',
      entity: 'mark',
      entityId: mark.id,
      fromVersion: null,
      data: { view, x, y, words },
    });
    return ok({ markId: mark.id });
  },
});
