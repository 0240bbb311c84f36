import { freeOf } from '../../core/stock/ledger.ts';
import { sayQuantity } from '../../core/stock/sorts.ts';
import type { Job } from '../db/models/jobs.ts';
import type { StockItem } from '../db/models/stock.ts';
import type { StockWantRow } from '../db/models/orders.ts';
import { happen, levelOf, type Mover } from './move.ts';
import { awaitedParts } from './read-orders.ts';

type Hanging = Pick<Mover, 'models' | 't' | 'now'>;

/** What the next step of a job's order waits for. */
async function hindering({ models, t, now }: Hanging, job: Job) {
  const all = await awaitedParts(models, now, t);
  const own = all.filter(({ want }) => want.jobId === job.id);
  if (own.length === 0) return [];
  const lines = await models.WorkLine.findAll({
    where: { jobId: job.id, approval: 'yes', step: ['ready', 'running', 'paused'] },
    order: [
      ['sort', 'ASC'],
      ['id', 'ASC'],
    ],
    transaction: t,
  });
  if (lines.some((l) => l.step === 'running')) return [];
  return own.filter(({ want }) => want.lineId === null || want.lineId === lines[0]?.id);
}

/**
 * Hangs a job with those that wait for a part while its next step takes something that is not here, with the day the last of it will
 * likely come; and back to hands when it is. A job that waits for something else stays where it hangs, and so does one somebody hung
 * there by hand.
 */
export async function hangByParts(m: Hanging, job: Job): Promise<void> {
  const there = job.waitingFor === 'part' && job.waitsForStock;
  if (!there && job.waitingFor !== 'hands') return;
  const missing = await hindering(m, job);
  if (missing.length === 0) {
    if (!there) return;
    job.set({ waitingFor: 'hands', waitingNote: '', waitingUntil: null, waitsForStock: false });
  } else {
    const items = await m.models.StockItem.findAll({
      where: { id: missing.map(({ want }) => want.itemId) },
      transaction: m.t,
    });
    const names = items.map((i) => i.name).join(', ');
    const known = missing.every((x) => x.at !== null);
    const ordered = missing.every((x) => x.arrival.order !== null);
    const until = known ? new Date(Math.max(...missing.map((x) => x.at ?? 0))) : null;
    const note = `${ordered ? 'on order' : 'to order'}: ${names}`.slice(0, 200);
    if (there && note === job.waitingNote && until?.getTime() === job.waitingUntil?.getTime()) return;
    job.set({ waitingFor: 'part', waitingNote: note, waitingUntil: until, waitsForStock: true });
  }
  job.set({ version: job.version + 1 });
  await job.save({ transaction: m.t });
}

/** The same for several jobs, by their rows. */
export async function hangAllByParts(m: Hanging, jobIds: readonly number[]): Promise<void> {
  for (const id of [...new Set(jobIds)].sort((a, b) => a - b)) {
    const job = await m.models.Job.findByPk(id, { transaction: m.t, lock: m.t.LOCK.UPDATE });
    if (job?.state === 'open') await hangByParts(m, job);
  }
}

/** Writes down that a job waits for something that is not here, or for another number of it; for nothing of it where that is 0. */
export async function wantFor(
  { models, t, now, record }: Mover,
  job: Pick<Job, 'id'>,
  item: StockItem,
  { lineId, quantity }: { readonly lineId: number | null; readonly quantity: number },
): Promise<void> {
  const where = { itemId: item.id, jobId: job.id };
  const known = await models.StockWantRow.findOne({ where, transaction: t });
  const before = known === null ? 0 : Number(known.quantity);
  if (before === quantity) return;
  const row = { lineId, quantity: String(quantity) };
  if (quantity === 0) await known?.destroy({ transaction: t });
  else if (known) await known.update(row, { transaction: t });
  else await models.StockWantRow.create({ ...where, ...row, askedAt: now }, { transaction: t });
  await record({
    jobId: job.id,
    kind: 'part wanted',
    entity: 'stock item',
    entityId: item.id,
    fromVersion: null,
    data: { item: item.name, many: sayQuantity(item.sort, quantity), wanted: quantity > 0 },
  });
}

/** A line that is finished waits for nothing any more. */
export async function forgetWants(mover: Mover, job: Job, lineId: number): Promise<void> {
  const wants = await mover.models.StockWantRow.findAll({
    where: { jobId: job.id, lineId },
    transaction: mover.t,
  });
  for (const { itemId } of wants) {
    const item = await mover.models.StockItem.findByPk(itemId, { transaction: mover.t });
    if (item) await wantFor(mover, job, item, { lineId, quantity: 0 });
  }
}

/** Rings the bell of whoever has the job. */
async function ringHolder({ models, t, now, by }: Mover, job: Job, item: StockItem): Promise<void> {
  if (job.holderId === null || job.holderId === by) return;
  await models.Notice.create(
    {
      personId: job.holderId,
      jobId: job.id,
      kind: 'part',
      words: `Job ${job.number}: ${item.name} is here.`.slice(0, 240),
      at: now,
    },
    { transaction: t },
  );
}

/** Sets aside what is free of a locked item for the jobs that wait for it, who asked first first, and wakes them. */
export async function serveWants(mover: Mover, item: StockItem): Promise<void> {
  const { models, t } = mover;
  const wants = await models.StockWantRow.findAll({
    where: { itemId: item.id },
    order: [['id', 'ASC']],
    transaction: t,
  });
  const served: StockWantRow[] = [];
  for (const want of wants) {
    const quantity = Number(want.quantity);
    if (freeOf(await levelOf(mover, item)) < quantity) break;
    const { jobId } = want;
    const reason = 'it was waited for';
    const aside = { kind: 'set-aside', quantity, jobId, lineId: null, reason } as const;
    if (!(await happen(mover, item, aside)).ok) break;
    await want.destroy({ transaction: t });
    served.push(want);
  }
  for (const { jobId } of served) {
    const job = await models.Job.findByPk(jobId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!job) continue;
    await ringHolder(mover, job, item);
    await hangByParts(mover, job);
  }
}
