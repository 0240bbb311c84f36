import { fail, ok } from '../../core/result.ts';
import { invalidField } from '../../contracts/failure.ts';
import { openJob } from '../jobs/open-job.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { happen, levelOf, lockedItem, moverOf } from './move.ts';
import { hangByParts, serveWants, wantFor } from './wants.ts';

/** Says that a job waits for something that is not here; what is free of it is set aside at once. */
export const wantPart = defineUseCase({
  name: 'stores.want',
  run: async (work, { jobId, itemId, lineId, quantity }) => {
    const { models, t } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    if (lineId !== null) {
      const line = await models.WorkLine.findByPk(lineId, { attributes: ['jobId'], transaction: t });
      if (line?.jobId !== jobId)
        return { ok: false, error: invalidField('lineId', 'That step is not of that job.') };
    }
    const item = await lockedItem(work, itemId);
    if (!item) return fail({ code: 'not-found', message: 'There is no such item on the shelves.' });
    const mover = moverOf(work);
    await wantFor(mover, job, item, { lineId, quantity });
    await serveWants(mover, item);
    await job.reload({ transaction: t });
    await hangByParts(mover, job);
    const left = await models.StockWantRow.findOne({ where: { itemId, jobId }, transaction: t });
    return ok({ wanted: left ? Number(left.quantity) : 0 });
  },
});

/** Writes down what a step took. */
export const takeForStep = defineUseCase({
  name: 'stores.take',
  run: async (work, { jobId, lineId, rows }) => {
    const { models, t } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const line = await models.WorkLine.findByPk(lineId, { attributes: ['jobId'], transaction: t });
    if (line?.jobId !== jobId)
      return { ok: false, error: invalidField('lineId', 'That step is not of that job.') };
    const mover = moverOf(work);
    for (const { itemId, quantity } of [...rows].sort((a, b) => a.itemId - b.itemId)) {
      const item = await lockedItem(work, itemId);
      if (!item) return fail({ code: 'not-found', message: 'There is no such item on the shelves.' });
      const done = await happen(mover, item, { kind: 'used', quantity, jobId, lineId, reason: '' });
      if (!done.ok) return done;
      // Another one than was awaited did it.
      const level = await levelOf(mover, item);
      if (level.aside.get(jobId) === undefined)
        await wantFor(mover, opened.value, item, { lineId, quantity: 0 });
    }
    await hangByParts(mover, opened.value);
    return ok({ taken: rows.length });
  },
});
