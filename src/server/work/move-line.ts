import { refuse } from '../../contracts/failure.ts';
import { inWorkOrder } from '../../core/catalogue/order-of-work.ts';
import { fail, ok } from '../../core/result.ts';
import { placesAfter, whyNotAt } from '../../core/work/order-of-lines.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { openLine } from './open-line.ts';
import { orderOfJob } from './order-of-job.ts';

/** Moves a line of the work order, within what needs what. */
export const moveLine = defineUseCase({
  name: 'work.move',
  run: async (work, { lineId, version, to }) => {
    const { models, t } = work;
    const opened = await openLine(work, lineId, version);
    if (!opened.ok) return opened;
    const { line, job } = opened.value;
    const lines = await models.WorkLine.findAll({ where: { jobId: job.id }, transaction: t });
    const { needs, usual } = await orderOfJob(work, job, lines);
    const ordered = inWorkOrder(lines, needs, usual);
    const why = whyNotAt(ordered, lineId, to, needs);
    if (why !== null) return fail(refuse(why));
    const from = ordered.findIndex((l) => l.id === lineId);
    for (const { id, sort } of placesAfter(ordered, lineId, to, usual)) {
      const other = lines.find((l) => l.id === id);
      if (other && other.sort !== sort) await other.update({ sort }, { transaction: t });
    }
    await line.reload({ transaction: t });
    await line.update({ version: version + 1 }, { transaction: t });
    await recordEvent(work, {
      jobId: job.id,
      kind: 'line moved',
      entity: 'work line',
      entityId: lineId,
      fromVersion: version,
      data: { before: { place: from + 1 }, after: { place: to + 1 }, line: line.title },
    });
    return ok({ version: version + 1 });
  },
});
