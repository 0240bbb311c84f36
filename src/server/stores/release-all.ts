import type { Work } from '../use-case/use-case.ts';
import { happen, lockedItem, moverOf } from './move.ts';

/** What still waits for a job that is over is free again. */
export async function releaseAll(work: Work, jobId: number): Promise<void> {
  const { models, t } = work;
  const waiting = await models.StockAside.findAll({
    where: { jobId },
    order: [['itemId', 'ASC']],
    transaction: t,
  });
  for (const { itemId, quantity } of waiting) {
    const item = await lockedItem(work, itemId);
    const of = { kind: 'released', quantity: Number(quantity), jobId, lineId: null, reason: '' } as const;
    if (item) await happen(moverOf(work), item, of);
  }
}
