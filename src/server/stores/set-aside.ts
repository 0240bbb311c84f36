import { operation } from '../../core/catalogue/operations.ts';
import { fitting } from '../../core/stock/fits.ts';
import { freeOf } from '../../core/stock/ledger.ts';
import { needsOf } from '../../core/stock/needs.ts';
import { isOfOneJob } from '../../core/stock/sorts.ts';
import type { Job } from '../db/models/jobs.ts';
import type { WorkLine } from '../db/models/work.ts';
import { readJob } from '../jobs/read-job.ts';
import { happen, levelOf, lockedItem, type Mover } from './move.ts';

/**
 * Sets aside what a line that was agreed on usually takes, as far as it is free and fits just so: of each thing one, unless something
 * that does already waits for the job. Bottles, sheets and coils serve many jobs and wait for none.
 */
export async function setAsideFor(mover: Mover, job: Job, lines: readonly WorkLine[]): Promise<void> {
  const { models, t } = mover;
  const items = await models.StockItem.findAll({
    where: { retiredAt: null },
    order: [['id', 'ASC']],
    transaction: t,
  });
  if (items.length === 0) return;
  const { instrument, standard, catalogue } = await readJob(models, job, [], t);
  const read = standard.filter((r) => r.notRepresentative === null);
  const needs = lines.flatMap((l) =>
    needsOf(l.record ?? operation(l.operation, catalogue), instrument.construction, read),
  );
  const waiting = await models.StockAside.findAll({ where: { jobId: job.id }, transaction: t });
  const known = new Set(waiting.map((w) => w.itemId));
  for (const need of needs) {
    const fits = fitting(need, items).filter(
      ({ item, fit }) => isOfOneJob(item.sort) && fit.how === 'just so',
    );
    if (fits.some(({ item }) => known.has(item.id))) continue;
    for (const {
      item: { id },
    } of fits) {
      const item = await lockedItem(mover, id);
      if (!item || freeOf(await levelOf(mover, item)) < 1) continue;
      const one = { kind: 'set-aside', quantity: 1, jobId: job.id, lineId: null, reason: '' } as const;
      if ((await happen(mover, item, one)).ok) {
        known.add(id);
        break;
      }
    }
  }
}
