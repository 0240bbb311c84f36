import { refuse } from '../../contracts/failure.ts';
import { ok } from '../../core/result.ts';
import { backToHands } from '../jobs/back-to-hands.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { countLater } from '../jobs/job-facts.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { openLine } from './open-line.ts';

/** Records the customer's yes or no to one line: by whom, how and when. A no takes the line out. */
export const answerLine = defineUseCase({
  name: 'work.answer',
  run: async (work, input) => {
    const opened = await openLine(work, input.lineId, input.version);
    if (!opened.ok) return opened;
    const { line, job } = opened.value;
    if (line.step !== 'ready') return { ok: false, error: refuse('Work on this line has begun.') };
    const before = line.approval;
    await line.update(
      {
        approval: input.answer,
        approvedBy: input.by,
        approvedHow: input.how,
        approvedAt: work.now,
        version: line.version + 1,
      },
      { transaction: work.t },
    );
    const asked = await work.models.WorkLine.count({
      where: { jobId: job.id, approval: 'asked' },
      transaction: work.t,
    });
    if (asked === 0) backToHands(job);
    await countLater(work, job);
    await recordEvent(work, {
      jobId: job.id,
      kind: `customer said ${input.answer}`,
      entity: 'work line',
      entityId: line.id,
      fromVersion: input.version,
      data: { before, by: input.by, how: input.how },
    });
    return ok({ version: line.version });
  },
});
