import { moverOf } from '../stores/move.ts';
import { letGoFor } from '../stores/set-aside.ts';
import { refuse, type Failure } from '../../contracts/failure.ts';
import { judge } from '../../core/job/judge.ts';
import type { JobChoice } from '../../core/job/job.ts';
import { linesOfPlan, planOfJob } from '../../core/plan/plan-of-job.ts';
import { lineKey, type ProposalLine } from '../../core/plan/proposal.ts';
import type { Plan } from '../../core/plan/solve/plans.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { readJob, type ReadJob } from '../jobs/read-job.ts';
import { countLater } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { putOnOrder } from './put-on-order.ts';

/** The plan as it stands now, without what was declined, and its lines; or why there is none. */
function planNow(
  g: ReadJob,
  id: Plan['id'],
): Result<{ plan: Plan; lines: readonly ProposalLine[] }, Failure> {
  const { planInput, plannedFor, decided } = judge(g);
  const found = planOfJob(planInput, plannedFor, decided, id);
  if ('because' in found.problem) return fail(refuse(found.problem.because));
  const plan = found.plans?.plans.find((p) => p.id === id);
  if (!plan) return fail(refuse('There is no such plan any more.'));
  return ok({ plan, lines: linesOfPlan(planInput, found.problem, plan) });
}

/** The keys of the lines a plan put on the order when it was chosen; a choice from before lines went by their content has others. */
const keysOf = (choice: JobChoice | null): ReadonlySet<string> =>
  new Set(
    choice?.content.operations.map((o) =>
      (o as Partial<typeof o>).found === undefined ? `plan:${o.id}` : lineKey(o),
    ),
  );

/** Takes what an earlier plan put on the order off again, where nobody has begun it. Says what was begun. */
async function clearEarlier(work: Work, g: ReadJob, keep: readonly ProposalLine[]): Promise<string | null> {
  const { t } = work;
  const keys = keysOf(g.choice);
  const stays = (d: ReadJob['decisions'][number]) =>
    keep.some((l) => l.key === d.line || l.operation === d.proposed.operation);
  for (const d of g.decisions.filter((x) => keys.has(x.line) && x.decision === 'accepted' && !stays(x))) {
    const line = g.lines.find((l) => l.decisionId === d.id);
    // What is done stays done, with its decision.
    if (line?.step === 'finished') continue;
    if (line && line.step !== 'ready') return line.title;
    await line?.destroy({ transaction: t });
    if (line?.approval === 'yes') await letGoFor(moverOf(work), g.job, [line]);
    await d.destroy({ transaction: t });
  }
  return null;
}

/** Accepts every line of a plan; what was decided of the same content before stays as it was decided. */
async function putPlan(
  work: Work,
  g: ReadJob,
  plan: Plan,
  lines: readonly ProposalLine[],
): Promise<Result<number, Failure>> {
  const { models, t, actor, now } = work;
  for (const line of lines) {
    const known = g.decisions.find((d) => d.line === line.key);
    if (known && known.decision !== 'declined') continue;
    const values = {
      decision: 'accepted' as const,
      changeText: '',
      reason: `${plan.name} was chosen`,
      proposed: line,
      instead: null,
      decidedBy: actor.personId,
      decidedAt: now,
    };
    const decision = known
      ? await known.update({ ...values, version: known.version + 1 }, { transaction: t })
      : await models.Decision.create(
          { jobId: g.job.id, line: line.key, ...values, version: 1 },
          { transaction: t },
        );
    const put = await putOnOrder(work, g.catalogue, {
      job: { id: g.job.id, setPaidBy: g.job.setPaidBy ?? null },
      decision,
      operation: line.operation,
      detail: line.says,
    });
    if (!put.ok) return put;
  }
  return ok(lines.length);
}

/**
 * Chooses the plan a job goes by: its lines are accepted and go on the work order, its predictions stay as they are now. What
 * another plan had put there goes, unless work on it has begun.
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
    const found = planNow(g, id);
    if (!found.ok) return found;
    const { plan, lines } = found.value;
    const begun = await clearEarlier(work, g, lines);
    if (begun !== null) return fail(refuse(`Work on “${begun}” has begun: finish it or take it off first.`));
    const put = await putPlan(work, g, plan, lines);
    if (!put.ok) return put;
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
    await countLater(work, opened.value);
    await recordEvent(work, {
      jobId,
      kind: 'plan chosen',
      entity: 'plan',
      entityId: id,
      fromVersion: version,
      data: { before: g.choice?.plan ?? null, after: id, reason, predicted: plan.predicted },
    });
    return ok({ version: version + 1, lines: put.value });
  },
});
