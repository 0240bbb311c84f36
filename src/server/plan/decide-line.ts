import { moverOf } from '../stores/move.ts';
import { letGoFor } from '../stores/set-aside.ts';
import { invalidField, refuse } from '../../contracts/failure.ts';
import { judge } from '../../core/job/judge.ts';
import type { Proposal, ProposalLine } from '../../core/plan/proposal.ts';
import { ok } from '../../core/result.ts';
import { readJob } from '../jobs/read-job.ts';
import { countLater } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { putOnOrder } from './put-on-order.ts';

const lineOf = (p: Proposal, key: string): ProposalLine | undefined =>
  [...p.lines, ...p.then, ...p.declined].find((l) => l.key === key);

/**
 * Accepts, changes or declines a proposed line, with the reason. Accepted and changed lines go on the work order; a change may
 * put another operation, and its price, in the place of the one proposed. What was declined is taken off and everything else
 * worked out without it.
 */
export const decideLine = defineUseCase({
  name: 'plan.decide',
  run: async (work, input) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const changed = input.decision === 'changed';
    if (changed && input.change === '')
      return { ok: false, error: invalidField('change', 'What will be done instead?') };
    const where = { jobId: input.jobId, line: input.line };
    const known = await models.Decision.findOne({ where, transaction: t, lock: t.LOCK.UPDATE });
    if ((known?.version ?? 0) !== input.version)
      return conflict(work, known?.decidedBy ?? null, known?.decision ?? 'nothing', known?.version ?? 0);
    const g = await readJob(models, opened.value, [], t);
    const line = lineOf(judge(g).proposal, input.line) ?? known?.proposed;
    if (!line)
      return { ok: false, error: refuse('The readings have changed: this is not proposed any more.') };
    const onOrder = g.lines.find((l) => known && l.decisionId === known.id) ?? null;
    if (onOrder && onOrder.step !== 'ready')
      return { ok: false, error: refuse('Work on this line has begun.') };
    const values = {
      decision: input.decision,
      changeText: changed ? input.change : '',
      reason: input.reason,
      proposed: line,
      instead: changed && input.instead && input.instead !== line.operation ? input.instead : null,
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
    if (input.decision === 'declined') {
      await onOrder?.destroy({ transaction: t });
      if (onOrder?.approval === 'yes') await letGoFor(moverOf(work), opened.value, [onOrder]);
    } else {
      const put = await putOnOrder(work, g.catalogue, {
        job: opened.value,
        decision,
        operation: values.instead ?? line.operation,
        detail: changed ? input.change : line.says,
        priceMinor: changed ? input.priceMinor : undefined,
      });
      if (!put.ok) return put;
    }
    await countLater(work, opened.value);
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
