import { invalidField, refuse } from '../../contracts/failure.ts';
import { operation } from '../../core/plan/operations.ts';
import type { ProposalLine } from '../../core/plan/proposal.ts';
import { ok } from '../../core/result.ts';
import type { Decision } from '../db/models/work.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { catalogueOf } from '../house/load-operations.ts';
import { readJob } from '../jobs/read-job.ts';
import { refreshFacts } from '../jobs/job-facts.ts';
import { judge } from '../../core/job/judge.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';

const detailOf = (line: ProposalLine, change: string) => (change === '' ? line.says : change);

/** Puts a decided line on the work order, or asks the customer again where it changed. */
export async function putOnOrder({ models, t }: Work, decision: Decision, line: ProposalLine): Promise<void> {
  const op = operation(line.operation, await catalogueOf(models, t));
  const detail = detailOf(line, decision.changeText);
  const known = await models.WorkLine.findOne({ where: { decisionId: decision.id }, transaction: t });
  if (known) {
    // A changed sum is another promise: the customer is asked again.
    await known.update(
      {
        detail,
        approval: 'asked',
        approvedAt: null,
        approvedBy: '',
        approvedHow: '',
        version: known.version + 1,
      },
      { transaction: t },
    );
    return;
  }
  await models.WorkLine.create(
    {
      jobId: decision.jobId,
      decisionId: decision.id,
      operation: op.id,
      title: op.name,
      detail,
      sort: op.order,
      minutes: op.minutes.likely,
      priceMinor: op.price,
      partsMinor: op.parts,
    },
    { transaction: t },
  );
}

/** Whether the plan the job goes by has put the same operation on the order. */
async function onOrderByPlan({ models, t }: Work, jobId: number, line: ProposalLine): Promise<boolean> {
  const key = `plan:${line.operation}`;
  if (line.key === key) return false;
  const byPlan = await models.Decision.findOne({ where: { jobId, line: key }, transaction: t });
  return byPlan !== null && byPlan.decision !== 'declined';
}

/** Accepts, changes or declines a proposed line, with the reason. Accepted and changed lines go on the work order. */
export const decideLine = defineUseCase({
  name: 'plan.decide',
  run: async (work, input) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    if (input.decision === 'changed' && input.change === '') {
      return { ok: false, error: invalidField('change', 'What will be done instead?') };
    }
    const where = { jobId: input.jobId, line: input.line };
    const known = await models.Decision.findOne({ where, transaction: t, lock: t.LOCK.UPDATE });
    if ((known?.version ?? 0) !== input.version) {
      return conflict(work, known?.decidedBy ?? null, known?.decision ?? 'nothing', known?.version ?? 0);
    }
    const proposed = judge(await readJob(models, opened.value, [], t)).proposal.lines.find(
      (l) => l.key === input.line,
    );
    const line = proposed ?? known?.proposed;
    if (!line)
      return { ok: false, error: refuse('The readings have changed: this is not proposed any more.') };
    const onOrder = known
      ? await models.WorkLine.findOne({ where: { decisionId: known.id }, transaction: t })
      : null;
    if (onOrder && onOrder.step !== 'ready')
      return { ok: false, error: refuse('Work on this line has begun.') };
    if (input.decision !== 'declined' && (await onOrderByPlan(work, input.jobId, line)))
      return { ok: false, error: refuse('The chosen plan has this on the work order already.') };
    const values = {
      decision: input.decision,
      changeText: input.decision === 'changed' ? input.change : '',
      reason: input.reason,
      proposed: line,
      decidedBy: actor.personId,
      decidedAt: now,
      version: input.version + 1,
    };
    const before = known
      ? { decision: known.decision, change: known.changeText, reason: known.reason }
      : null;
    const decision = known
      ? await known.update(values, { transaction: t })
      : await models.Decision.create({ ...where, ...values }, { transaction: t });
    if (input.decision === 'declined') await onOrder?.destroy({ transaction: t });
    else await putOnOrder(work, decision, line);
    await refreshFacts(work, opened.value);
    await recordEvent(work, {
      jobId: input.jobId,
      kind: `line ${input.decision}`,
      entity: 'decision',
      entityId: input.line,
      fromVersion: input.version,
      data: { before, after: { change: input.change, reason: input.reason, says: line.says } },
    });
    return ok({ version: values.version });
  },
});
