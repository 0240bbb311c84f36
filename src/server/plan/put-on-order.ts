import { refuse, type Failure } from '../../contracts/failure.ts';
import type { Operation } from '../../core/catalogue/operation.ts';
import { operation } from '../../core/catalogue/operations.ts';
import { firstAnswer } from '../../core/work/free-line.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Decision, WorkLine } from '../db/models/work.ts';
import { SHOP_PAYS_SET } from '../../core/job/set-paid.ts';
import { partsOn } from './price-set.ts';
import type { Job } from '../db/models/jobs.ts';
import type { Work } from '../use-case/use-case.ts';

/** What a decision puts on the order. Money in minor units; the catalogue's price where none is said. */
export interface OrderEntry {
  readonly job: Pick<Job, 'id' | 'setPaidBy'>;
  readonly decision: Decision;
  readonly operation: WorkLine['operation'];
  readonly detail: string;
  readonly priceMinor?: number | undefined;
}

/** The line a decision goes to: its own, or one of the same operation that nobody has begun. */
async function lineFor(
  { models, t }: Work,
  decision: Decision,
  op: Operation,
): Promise<Result<WorkLine | null, Failure>> {
  const { jobId } = decision;
  const all = await models.WorkLine.findAll({ where: { jobId }, transaction: t, order: ['id'] });
  const own = all.find((l) => l.decisionId === decision.id);
  if (own && own.step === 'ready') return ok(own);
  const same = all.filter((l) => l.operation === op.id && l.found === null && l.step !== 'finished');
  const begun = same.find((l) => l.step !== 'ready');
  if (begun) return fail(refuse(`Work on “${begun.title}” has begun: finish it first.`));
  return ok(same[0] ?? null);
}

/**
 * Puts a decision on the work order: into the line of the same operation that nobody has begun, or as another one where the
 * work was done once already. The customer is asked again where the operation or its price changed; hundredths of a millimetre
 * are the bench's.
 */
export async function putOnOrder(
  work: Work,
  catalogue: readonly Operation[],
  { job, decision, operation: id, detail, priceMinor }: OrderEntry,
): Promise<Result<null, Failure>> {
  const { models, t, now } = work;
  const op = operation(id, catalogue);
  const found = await lineFor(work, decision, op);
  if (!found.ok) return found;
  const price = priceMinor ?? op.price;
  const line = found.value;
  const { parts, reason } = await partsOn(work, job, op, line?.id ?? null);
  const what = {
    decisionId: decision.id,
    operation: op.id,
    record: op,
    title: op.name,
    detail,
    sort: op.order,
    minutes: op.minutes.likely,
    priceMinor: price,
    partsMinor: parts,
    ...(reason !== '' || line?.priceReason === SHOP_PAYS_SET ? { priceReason: reason } : {}),
  };
  if (!line) {
    const answer = firstAnswer(price, parts, now);
    await models.WorkLine.create({ jobId: decision.jobId, ...what, ...answer }, { transaction: t });
    return ok(null);
  }
  const agreed =
    line.approval === 'yes' &&
    line.operation === op.id &&
    line.priceMinor + line.partsMinor >= price + parts &&
    decision.decision === 'accepted';
  const asSaid = line.approval === 'asked' && line.priceMinor + line.partsMinor === price + parts;
  // What the customer has agreed to keeps the price it was agreed at.
  const kept = agreed
    ? { priceMinor: line.priceMinor, partsMinor: reason === '' ? line.partsMinor : parts }
    : { ...firstAnswer(price, parts, now), ...(asSaid && { offeredAt: line.offeredAt }) };
  await line.update({ ...what, ...kept, version: line.version + 1 }, { transaction: t });
  return ok(null);
}
