import { operation } from '../../core/catalogue/operations.ts';
import { firstAnswer } from '../../core/work/free-line.ts';
import { ok } from '../../core/result.ts';
import { catalogueOf } from '../house/load-operations.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { countLater } from '../jobs/job-facts.ts';
import { partsOn, pricedParts } from './price-set.ts';
import { openJob } from '../jobs/open-job.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Puts an operation of the catalogue on the work order by hand. */
export const addLine = defineUseCase({
  name: 'plan.add',
  run: async (work, input) => {
    const { now, actor } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const op = operation(input.operation, await catalogueOf(work.models, work.t));
    const { parts, reason } = await partsOn(work, opened.value, op);
    const line = await work.models.WorkLine.create(
      {
        jobId: input.jobId,
        operation: op.id,
        record: op,
        title: op.name,
        detail: input.detail,
        sort: op.order,
        minutes: op.minutes.likely,
        ...(input.done
          ? {
              priceMinor: 0,
              partsMinor: 0,
              priceReason: 'done in passing',
              step: 'finished' as const,
              finishedAt: now,
              finishedBy: actor.personId,
              ...firstAnswer(0, 0, now),
            }
          : {
              priceMinor: op.price,
              ...pricedParts({ parts, reason }),
              ...firstAnswer(op.price, parts, now),
            }),
      },
      { transaction: work.t },
    );
    await countLater(work, opened.value);
    await recordEvent(work, {
      jobId: input.jobId,
      kind: input.done ? 'done in passing' : 'line added',
      entity: 'work line',
      entityId: line.id,
      fromVersion: null,
      data: { operation: op.id, detail: input.detail },
    });
    return ok({ lineId: line.id });
  },
});
