import { refuse } from '../../contracts/failure.ts';
import type { ProposalLine } from '../../core/plan/proposal.ts';
import { plansFor, type Plan } from '../../core/plan/solve/plans.ts';
import { fail, ok } from '../../core/result.ts';
import type { Decision } from '../db/models/work.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { readJob, type ReadJob } from '../jobs/read-job.ts';
import { refreshFacts } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { putOnOrder } from './decide-line.ts';
import { problemOf } from './problem-of.ts';

const OF_PLAN = 'plan:';

/** A plan's operation as a line that was proposed and accepted. */
function lineOf(plan: Plan, o: Plan['operations'][number]): ProposalLine {
  const reason = plan.calls.flatMap((c) => c.reasons).find((r) => r.operation === o.id && r.in);
  const first = plan.steps.find((s) => s.operation === o.id && s.kind === 'first-cut');
  return {
    key: `${OF_PLAN}${o.id}`,
    operation: o.id,
    title: o.name,
    says: first ? `${o.says} First: ${first.says}` : o.says,
    why: reason ? [reason.because, reason.would] : [],
    restsOn: [],
    warnings: [],
  };
}

/** Takes what an earlier plan put on the order off again, where nobody has begun it. Says what was begun. */
async function clearEarlier({ t }: Work, g: ReadJob, keep: ReadonlySet<string>): Promise<string | null> {
  for (const d of g.decisions.filter((x) => x.line.startsWith(OF_PLAN) && !keep.has(x.line))) {
    const line = g.lines.find((l) => l.decisionId === d.id);
    if (line && line.step !== 'ready') return line.title;
    await line?.destroy({ transaction: t });
    await d.destroy({ transaction: t });
  }
  return null;
}

async function putPlan(work: Work, g: ReadJob, plan: Plan): Promise<number> {
  const { models, t, actor, now } = work;
  const others = new Set(
    g.lines
      .filter((l) => !g.decisions.some((d) => d.id === l.decisionId && d.line.startsWith(OF_PLAN)))
      .map((l) => l.operation),
  );
  let put = 0;
  for (const o of plan.operations) {
    if (others.has(o.id)) continue;
    const line = lineOf(plan, o);
    const known = g.decisions.find((d) => d.line === line.key);
    const begun = g.lines.find((l) => known && l.decisionId === known.id && l.step !== 'ready');
    put++;
    if (begun) continue;
    const values = {
      decision: 'accepted' as const,
      changeText: '',
      reason: `${plan.name} was chosen`,
      proposed: line,
      decidedBy: actor.personId,
      decidedAt: now,
    };
    const same = known && JSON.stringify(known.proposed) === JSON.stringify(line);
    if (same) continue;
    const decision: Decision = known
      ? await known.update({ ...values, version: known.version + 1 }, { transaction: t })
      : await models.Decision.create(
          { jobId: g.job.id, line: line.key, ...values, version: 1 },
          { transaction: t },
        );
    await putOnOrder(work, decision, line);
  }
  return put;
}

/**
 * Chooses the plan a job goes by: its operations go on the work order, its predictions stay as they are now. What another
 * plan had put there goes, unless work on it has begun.
 */
export const choosePlan = defineUseCase({
  name: 'plan.choose',
  run: async (work, { jobId, plan: id, reason, version }) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const g = await readJob(models, opened.value, [], t);
    if ((g.choice?.version ?? 0) !== version)
      return conflict(
        work,
        g.choice?.chosenBy ?? null,
        g.choice?.content.name ?? 'nothing',
        g.choice?.version ?? 0,
      );
    const problem = problemOf(g);
    if ('because' in problem) return fail(refuse(problem.because));
    const plan = plansFor(problem).plans.find((x) => x.id === id);
    if (!plan) return fail(refuse('There is no such plan any more.'));
    const begun = await clearEarlier(work, g, new Set(plan.operations.map((o) => `${OF_PLAN}${o.id}`)));
    if (begun !== null) return fail(refuse(`Work on “${begun}” has begun: finish it or take it off first.`));
    const lines = await putPlan(work, g, plan);
    const values = {
      plan: id,
      content: plan,
      reason,
      chosenBy: actor.personId,
      chosenAt: now,
      version: version + 1,
    };
    if (g.choice) await g.choice.update(values, { transaction: t });
    else await models.PlanChoice.create({ jobId, ...values }, { transaction: t });
    await refreshFacts(work, opened.value);
    await recordEvent(work, {
      jobId,
      kind: 'plan chosen',
      entity: 'plan',
      entityId: id,
      fromVersion: version,
      data: { before: g.choice?.plan ?? null, after: id, reason, predicted: plan.predicted },
    });
    return ok({ version: version + 1, lines });
  },
});
