import type { Work } from '../use-case/use-case.ts';
import { happen, lockedItem, moverOf } from './move.ts';
import { serveWants } from './wants.ts';

/** What still waits for a job that is over is free again, for whoever waits for it; and the job waits for nothing more. */
export async function releaseAll(work: Work, jobId: number): Promise<void> {
  const { models, t } = work;
  await models.StockWantRow.destroy({ where: { jobId }, transaction: t });
  const waiting = await models.StockAside.findAll({
    where: { jobId },
    order: [['itemId', 'ASC']],
    transaction: t,
  });
  const mover = moverOf(work);
  for (const { itemId, quantity } of waiting) {
    const item = await lockedItem(work, itemId);
    const of = { kind: 'released', quantity: Number(quantity), jobId, lineId: null, reason: '' } as const;
    if (!item) continue;
    await happen(mover, item, of);
    await serveWants(mover, item);
  }
}
