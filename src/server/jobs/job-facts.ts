import { Op, type Transaction } from 'sequelize';
import type { ChecklistItem } from '../../core/inspection/checklist.ts';
import type { Models } from '../db/models/index.ts';
import type { Work } from '../use-case/use-case.ts';
import type { Job } from '../db/models/jobs.ts';
import { readJob } from './read-job.ts';
import { judge } from '../../core/job/judge.ts';

/**
 * Counts only what an answer changes that leads to no work and never did: how many items are answered. What was counted
 * before of all else still holds. Same transaction as the change.
 * @param asked the items this instrument is asked
 */
export async function refreshAnswered(
  work: Work,
  job: Job,
  inspectionId: number,
  asked: readonly Pick<ChecklistItem, 'key'>[],
): Promise<void> {
  const answered = await work.models.InspectionAnswer.count({
    where: { inspectionId, answer: { [Op.ne]: null }, item: asked.map((i) => i.key) },
    transaction: work.t,
  });
  job.facts = { ...job.facts, answered };
  await job.save({ transaction: work.t });
}

/** Counts the job again and keeps the counts with it, so that the rack needs one query. Same transaction as the change. */
export const refreshFacts = (work: Work, job: Job): Promise<void> => refreshFactsOf(work.models, job, work.t);

/** The same where nobody of the shop asks. */
export async function refreshFactsOf(models: Models, job: Job, t: Transaction): Promise<void> {
  const gathered = await readJob(models, job, [], t);
  const { proposal, asked, items } = judge(gathered);
  const decided = new Set(gathered.decisions.map((d) => d.line));
  const lines = gathered.lines.filter((l) => l.approval !== 'no');
  const required = gathered.stations.filter((s) => !s.optional);
  const readIn = (kind: string) => {
    const round = gathered.rounds.find((r) => r.kind === kind);
    const keys = new Set(gathered.standard.filter((r) => r.roundId === round?.id).map((r) => r.key));
    return required.filter((s) => keys.has(s.key)).length;
  };
  job.facts = {
    answered: items.filter((i) => gathered.answers.some((a) => a.item === i.key && a.answer !== null)).length,
    items: items.length,
    inspectionFinished: gathered.inspection?.finishedAt != null,
    read: readIn('as-found'),
    stations: required.length,
    stale: proposal.stale.length,
    linesOpen: proposal.lines.filter((l) => !decided.has(l.key)).length,
    linesDecided: decided.size + (gathered.choice ? 1 : 0),
    asked,
    stepsOpen: lines.filter((l) => l.approval === 'yes' && l.step !== 'finished').length,
    stepsDone: lines.filter((l) => l.step === 'finished').length,
    asLeftRead: readIn('as-left'),
    benchChecked: gathered.handOver?.checkedAt != null,
    signed: gathered.handOver?.signedAt != null,
  };
  await job.save({ transaction: t });
}
