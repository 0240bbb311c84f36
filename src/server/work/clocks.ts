import type { Job } from '../db/models/jobs.ts';
import type { WorkLine } from '../db/models/work.ts';
import { recordEvent } from '../use-case/record-event.ts';
import type { Work } from '../use-case/use-case.ts';

const later = (a: Date, b: Date): Date => (a > b ? a : b);

/** Stops running clocks; answers the lines they ran on. A clock never ends before it began. */
export async function stopClocks(
  { models, t, now }: Work,
  where: { lineId: number } | { personId: number },
): Promise<number[]> {
  const running = await models.TimeEntry.findAll({
    where: { ...where, endedAt: null },
    transaction: t,
    lock: t.LOCK.UPDATE,
  });
  for (const entry of running)
    await entry.update({ endedAt: later(now, entry.startedAt) }, { transaction: t });
  return running.map((e) => e.lineId);
}

/** One person works on one step: starting another pauses the one before, and both clocks stay right. */
export async function takeUp(work: Work, line: WorkLine, job: Job): Promise<void> {
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
