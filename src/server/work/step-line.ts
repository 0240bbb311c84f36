import type { CommandInput } from '../../contracts/commands.ts';
import { refuse } from '../../contracts/failure.ts';
import { operation } from '../../core/plan/operations.ts';
import { ok } from '../../core/result.ts';
import type { Job } from '../db/models/jobs.ts';
import type { WorkLine } from '../db/models/work.ts';
import { recordEvent } from '../events/record-event.ts';
import { catalogueOf } from '../house/load-operations.ts';
import { refreshFacts } from '../job/job-facts.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { openLine } from './open-line.ts';

type Action = CommandInput<'work.step'>['action'];

const MAY_COME_FROM: Readonly<Record<Action, readonly WorkLine['step'][]>> = {
  start: ['ready', 'paused'],
  pause: ['running'],
  finish: ['running', 'paused'],
  reopen: ['finished'],
};
const GOES_TO: Readonly<Record<Action, WorkLine['step']>> = {
  start: 'running',
  pause: 'paused',
  finish: 'finished',
  reopen: 'paused',
};

async function stopClocks(
  { models, t, now }: Work,
  where: { lineId: number } | { personId: number },
): Promise<number[]> {
  const running = await models.TimeEntry.findAll({
    where: { ...where, endedAt: null },
    transaction: t,
    lock: t.LOCK.UPDATE,
  });
  for (const entry of running) await entry.update({ endedAt: now }, { transaction: t });
  return running.map((e) => e.lineId);
}

/** One person works on one step: starting another pauses the one before, and both clocks stay right. */
async function takeUp(work: Work, line: WorkLine, job: Job): Promise<void> {
  const { models, t, now, actor } = work;
  const interrupted = (await stopClocks(work, { personId: actor.personId })).filter((id) => id !== line.id);
  for (const id of interrupted) {
    const other = await models.WorkLine.findByPk(id, { transaction: t, lock: t.LOCK.UPDATE });
    const stillRuns = await models.TimeEntry.count({ where: { lineId: id, endedAt: null }, transaction: t });
    if (other?.step !== 'running' || stillRuns > 0) continue;
    await other.update({ step: 'paused', version: other.version + 1 }, { transaction: t });
    await recordEvent(work, {
      jobId: other.jobId,
      kind: 'step interrupted',
      entity: 'work line',
      entityId: id,
      fromVersion: other.version - 1,
      data: { by: line.id },
    });
  }
  await models.TimeEntry.create(
    { lineId: line.id, personId: actor.personId, startedAt: now },
    { transaction: t },
  );
  job.set({
    holderId: actor.personId,
    waitingFor: 'hands',
    waitingNote: '',
    waitingUntil: null,
    version: job.version + 1,
  });
}

const waitAfter = (job: Job, line: WorkLine, now: Date, wait: number): void => {
  if (wait === 0) return;
  job.set({
    waitingFor: 'time',
    waitingNote: line.title,
    waitingUntil: new Date(now.getTime() + wait * 60_000),
    version: job.version + 1,
  });
};

/** Starts, pauses, finishes or reopens a step; time is counted. A finished step makes its readings stale. */
export const stepLine = defineUseCase({
  name: 'work.step',
  needs: 'work',
  run: async (work, input) => {
    const opened = await openLine(work, input.lineId, input.version);
    if (!opened.ok) return opened;
    const { line, job } = opened.value;
    if (line.approval !== 'yes')
      return { ok: false, error: refuse('The customer has not said yes to this line.') };
    if (!MAY_COME_FROM[input.action].includes(line.step)) {
      return { ok: false, error: refuse(`A step that is ${line.step} cannot ${input.action}.`) };
    }
    await stopClocks(work, { lineId: line.id });
    if (input.action === 'start') await takeUp(work, line, job);
    const finished = input.action === 'finish';
    const { wait, stale } = operation(line.operation, await catalogueOf(work.models, work.t));
    if (finished) waitAfter(job, line, work.now, wait);
    const before = line.step;
    await line.update(
      {
        step: GOES_TO[input.action],
        finishedAt: finished ? work.now : null,
        finishedBy: finished ? work.actor.personId : null,
        version: line.version + 1,
      },
      { transaction: work.t },
    );
    await refreshFacts(work, job);
    await recordEvent(work, {
      jobId: job.id,
      kind: `step ${input.action}`,
      entity: 'work line',
      entityId: line.id,
      fromVersion: input.version,
      data: { before, stale: finished ? stale : [] },
    });
    return ok({ version: line.version });
  },
});
