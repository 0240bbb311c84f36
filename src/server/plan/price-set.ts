import type { Operation } from '../../core/catalogue/operation.ts';
import { agreedOperation } from '../../core/catalogue/operations.ts';
import { partsFor, SHOP_PAYS_SET, type PartsPrice } from '../../core/job/set-paid.ts';
import { firstAnswer } from '../../core/work/free-line.ts';
import type { Job } from '../db/models/jobs.ts';
import type { WorkLine } from '../db/models/work.ts';
import { catalogueOf } from '../house/load-operations.ts';
import type { Work } from '../use-case/use-case.ts';

const linesOf = ({ models, t }: Work, jobId: number): Promise<WorkLine[]> =>
  models.WorkLine.findAll({ where: { jobId }, transaction: t, order: ['sort', 'id'] });

/** The same as a line has it. */
export const pricedParts = ({ parts, reason }: PartsPrice) => ({ partsMinor: parts, priceReason: reason });

/**
 * What the parts of an operation cost as it comes on a job's order: the first set is free where the shop pays for it.
 * @param own the line it goes to, where it has one already
 */
export async function partsOn(
  work: Work,
  job: Pick<Job, 'id' | 'setPaidBy'>,
  op: Operation,
  own: number | null = null,
): Promise<PartsPrice> {
  if (job.setPaidBy !== 'shop') return { parts: op.parts, reason: '' };
  const [lines, catalogue] = await Promise.all([linesOf(work, job.id), catalogueOf(work.models, work.t)]);
  const others = lines
    .filter((l) => l.id !== own)
    .map((l) => ({ approval: l.approval, op: agreedOperation(l, catalogue) }));
  return partsFor(op, job.setPaidBy, others);
}

/** Who pays for the first set was put right: its line, where it is not finished yet, costs what it costs now. A higher price is asked about. */
export async function priceSetAnew(work: Work, job: Job): Promise<void> {
  const catalogue = await catalogueOf(work.models, work.t);
  const lines = await linesOf(work, job.id);
  const free = lines.find((l) => l.priceReason === SHOP_PAYS_SET && l.step !== 'finished');
  if (free && job.setPaidBy !== 'shop') {
    const { parts } = agreedOperation(free, catalogue);
    const asked = free.approval === 'yes' ? firstAnswer(free.priceMinor, parts, work.now) : {};
    await free.update(
      { partsMinor: parts, priceReason: '', ...asked, version: free.version + 1 },
      { transaction: work.t },
    );
  }
  if (job.setPaidBy !== 'shop') return;
  for (const [i, line] of lines.entries()) {
    const others = lines
      .slice(0, i)
      .map((l) => ({ approval: l.approval, op: agreedOperation(l, catalogue) }));
    const { parts, reason } = partsFor(agreedOperation(line, catalogue), 'shop', others);
    // A price of its own stands as it was given.
    if (reason === '' || line.step === 'finished' || line.priceReason !== '' || line.approval === 'no')
      continue;
    await line.update(
      { partsMinor: parts, priceReason: reason, version: line.version + 1 },
      { transaction: work.t },
    );
  }
}
