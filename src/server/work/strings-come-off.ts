import { isLookedAt } from '../../core/inspection/checklist.ts';
import { lostWithoutStrings } from '../../core/inspection/strings-gate.ts';
import { judge } from '../../core/job/judge.ts';
import type { Job } from '../db/models/jobs.ts';
import { countLater } from '../jobs/job-facts.ts';
import { readJob } from '../jobs/read-job.ts';
import { recordEvent } from '../use-case/record-event.ts';
import type { Work } from '../use-case/use-case.ts';

/** What can no longer be read or looked at once the strings are off, by what it is called. */
export interface Lost {
  readonly readings: readonly string[];
  readonly items: readonly string[];
}

/** What is lost when the strings of a job come off now. */
export async function lostNow({ models, t }: Work, job: Job): Promise<Lost> {
  const gathered = await readJob(models, job, [], t);
  const answered = new Set(gathered.answers.filter((a) => isLookedAt(a.answer)).map((a) => a.item));
  const { readings, items } = lostWithoutStrings(
    job.stringsState,
    gathered.stations,
    gathered.readings,
    judge(gathered).items,
    answered,
  );
  return { readings: readings.map((s) => s.label), items: items.map((i) => i.title) };
}

/**
 * The strings come off: by whom, when and what was lost is kept, and what is read from now on is not representative until strings
 * are on again.
 */
export async function stringsComeOff(work: Work, job: Job, reason: string, lost: Lost): Promise<void> {
  const { models, t, actor, now } = work;
  const before = job.stringsState;
  const { construction } = await models.Instrument.findByPk(job.instrumentId, {
    transaction: t,
    rejectOnEmpty: true,
  });
  await models.StringChange.create(
    {
      jobId: job.id,
      kind: 'off',
      reason,
      lost,
      fresh: null,
      strings: construction.strings,
      changedBy: actor.personId,
      changedAt: now,
    },
    { transaction: t },
  );
  await job.update({ stringsState: 'off', version: job.version + 1 }, { transaction: t });
  await models.Round.update({ strings: 'off' }, { where: { jobId: job.id }, transaction: t });
  await countLater(work, job);
  await recordEvent(work, {
    jobId: job.id,
    kind: 'strings taken off',
    entity: 'job',
    entityId: job.id,
    fromVersion: job.version - 1,
    data: { before, reason, lost },
  });
}

/**
 * The step that took them off is not done after all: the strings are on as they were before it. What somebody recorded of them
 * at another moment stands.
 */
export async function stringsStayedOn({ models, t }: Work, job: Job, since: Date): Promise<void> {
  const change = await models.StringChange.findOne({
    where: { jobId: job.id },
    order: [['id', 'DESC']],
    transaction: t,
  });
  const event = await models.EventRow.findOne({
    where: { jobId: job.id, kind: 'strings taken off' },
    order: [['id', 'DESC']],
    transaction: t,
  });
  if (change?.kind !== 'off' || change.changedAt.getTime() !== since.getTime() || !event) return;
  const { before = 'at-pitch' } = event.data as { readonly before?: Job['stringsState'] };
  await change.destroy({ transaction: t });
  await job.update({ stringsState: before, version: job.version + 1 }, { transaction: t });
  await models.Round.update({ strings: before }, { where: { jobId: job.id }, transaction: t });
}
