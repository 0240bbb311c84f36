import { invalidField, refuse } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { whyNotSoLong } from '../../core/work/clocks.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { defineUseCase } from '../use-case/use-case.ts';

const MINUTE = 60_000;

/** Puts a clock right that was forgotten: how long it really was, with the reason. One's own; a lead anybody's. */
export const correctClock = defineUseCase({
  name: 'work.correct-clock',
  run: async (work, { entryId, minutes, reason }) => {
    const { models, t, now, actor } = work;
    const found = await models.TimeEntry.findByPk(entryId, { transaction: t });
    const line = found && (await models.WorkLine.findByPk(found.lineId, { transaction: t }));
    if (!found || !line) return fail({ code: 'not-found', message: 'There is no such clock.' });
    const opened = await openJob(work, line.jobId);
    if (!opened.ok) return opened;
    const entry = await found.reload({ transaction: t, lock: t.LOCK.UPDATE });
    if (entry.personId !== actor.personId && actor.role === 'technician')
      return fail(refuse('Only who worked, or a lead, can put this clock right.'));
    const from = entry.startedAt.getTime();
    const end = entry.endedAt ?? now;
    const why = whyNotSoLong(from, end.getTime(), minutes);
    if (why !== null) return fail(invalidField('minutes', why));
    const before = { minutes: Math.round((end.getTime() - from) / MINUTE), ran: entry.endedAt === null };
    const ran = entry.endedAt === null;
    await entry.update(
      { endedAt: new Date(from + minutes * MINUTE), correctedBy: actor.personId, correction: reason },
      { transaction: t },
    );
    await line.reload({ transaction: t, lock: t.LOCK.UPDATE });
    const others = await models.TimeEntry.count({
      where: { lineId: line.id, endedAt: null },
      transaction: t,
    });
    const stops = ran && others === 0 && line.step === 'running';
    if (stops) await line.update({ step: 'paused', version: line.version + 1 }, { transaction: t });
    await recordEvent(work, {
      jobId: line.jobId,
      kind: 'clock corrected',
      entity: 'work line',
      entityId: line.id,
      fromVersion: null,
      data: { before, after: { minutes, reason }, stopped: stops },
    });
    return ok({ entryId });
  },
});
