import { operation } from '../../core/catalogue/operations.ts';
import { fitting, type StockNeed } from '../../core/stock/fits.ts';
import { freeOf } from '../../core/stock/ledger.ts';
import { needsOf } from '../../core/stock/needs.ts';
import { isOfOneJob } from '../../core/stock/sorts.ts';
import type { Job } from '../db/models/jobs.ts';
import type { StockItem } from '../db/models/stock.ts';
import type { WorkLine } from '../db/models/work.ts';
import { readJob } from '../jobs/read-job.ts';
import { happen, levelOf, lockedItem, type Mover } from './move.ts';
import { hangByParts, serveWants, wantFor } from './wants.ts';

/** A thing a line takes, with the items of the shelves that do for it just so. */
interface LineNeed {
  readonly line: WorkLine;
  readonly need: StockNeed;
  readonly fits: readonly StockItem[];
}

/** What lines of a job take whole, and what of the shelves does for it. */
async function needsOfLines(
  { models, t }: Mover,
  job: Job,
  lines: readonly WorkLine[],
): Promise<readonly LineNeed[]> {
  const items = await models.StockItem.findAll({
    where: { retiredAt: null },
    order: [['id', 'ASC']],
    transaction: t,
  });
  if (items.length === 0) return [];
  const { instrument, standard, catalogue } = await readJob(models, job, [], t);
  const read = standard.filter((r) => r.notRepresentative === null);
  return lines.flatMap((line) =>
    needsOf(line.record ?? operation(line.operation, catalogue), instrument.construction, read).map(
      (need) => ({
        line,
        need,
        fits: fitting(need, items)
          .filter(({ item, fit }) => isOfOneJob(item.sort) && fit.how === 'just so')
          .map(({ item }) => item),
      }),
    ),
  );
}

/** Sets one of the first that is free aside; answers which, or null. */
async function setOneAside(mover: Mover, job: Job, fits: readonly StockItem[]): Promise<number | null> {
  for (const { id } of fits) {
    const item = await lockedItem(mover, id);
    if (!item || freeOf(await levelOf(mover, item)) < 1) continue;
    const one = { kind: 'set-aside', quantity: 1, jobId: job.id, lineId: null, reason: '' } as const;
    if ((await happen(mover, item, one)).ok) return id;
  }
  return null;
}

/**
 * Sets aside what a line that was agreed on usually takes, as far as it is free and fits just so: of each thing one, unless something
 * that does already waits for the job. Where none is free the job waits for the nearest. Bottles, sheets and coils serve many jobs and
 * wait for none.
 */
export async function setAsideFor(mover: Mover, job: Job, lines: readonly WorkLine[]): Promise<void> {
  const { models, t } = mover;
  const where = { where: { jobId: job.id }, transaction: t };
  const known = new Set(
    [...(await models.StockAside.findAll(where)), ...(await models.StockWantRow.findAll(where))].map(
      (w) => w.itemId,
    ),
  );
  for (const { line, fits } of await needsOfLines(mover, job, lines)) {
    const [nearest] = fits;
    if (!nearest || fits.some((i) => known.has(i.id))) continue;
    const set = await setOneAside(mover, job, fits);
    if (set === null) await wantFor(mover, job, nearest, { lineId: line.id, quantity: 1 });
    known.add(set ?? nearest.id);
  }
  await hangByParts(mover, job);
}

/**
 * Lets go what waited for lines that are done no longer, and what no other line of the job takes: nobody else may be kept from it. The
 * lines may be gone already.
 */
export async function letGoFor(mover: Mover, job: Job, gone: readonly WorkLine[]): Promise<void> {
  const { models, t } = mover;
  const where = { where: { jobId: job.id }, transaction: t };
  const [asides, wants, lines] = await Promise.all([
    models.StockAside.findAll(where),
    models.StockWantRow.findAll(where),
    models.WorkLine.findAll({ where: { jobId: job.id, approval: 'yes' }, transaction: t }),
  ]);
  if (asides.length + wants.length > 0) {
    const dead = new Set(gone.map((l) => l.id));
    const needs = await needsOfLines(mover, job, [...gone, ...lines.filter((l) => !dead.has(l.id))]);
    const takes = (id: number, those: boolean): boolean =>
      needs.some((n) => dead.has(n.line.id) === those && n.fits.some((i) => i.id === id));
    const over = (id: number): boolean => takes(id, true) && !takes(id, false);
    for (const { itemId, quantity } of asides.filter((a) => over(a.itemId))) {
      const item = await lockedItem(mover, itemId);
      const released = { kind: 'released', quantity: Number(quantity), jobId: job.id, lineId: null } as const;
      if (!item) continue;
      await happen(mover, item, { ...released, reason: 'the line is done no longer' });
      await serveWants(mover, item);
    }
    for (const { itemId } of wants.filter((w) => over(w.itemId))) {
      const item = await lockedItem(mover, itemId);
      if (item) await wantFor(mover, job, item, { lineId: null, quantity: 0 });
    }
  }
  await hangByParts(mover, job);
}
