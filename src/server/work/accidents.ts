import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Writes an accident down when it happens, with its remedy. The customer's sheet tells it. */
export const recordAccident = defineUseCase({
  name: 'work.accident',
  run: async (work, { jobId, lineId, happened, remedy }) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const accident = await models.Accident.create(
      { jobId, lineId, happened, remedy, recordedBy: actor.personId, at: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId,
      kind: 'accident recorded',
      entity: 'accident',
      entityId: accident.id,
      fromVersion: null,
      data: { happened, remedy },
    });
    return ok({ accidentId: accident.id });
  },
});

/** Writes an accident's words or remedy anew; the log keeps both. It cannot be taken away. */
export const changeAccident = defineUseCase({
  name: 'work.change-accident',
  run: async (work, { accidentId, version, happened, remedy }) => {
    const { models, t } = work;
    const found = await models.Accident.findByPk(accidentId, { transaction: t });
    if (!found) return fail({ code: 'not-found', message: 'There is no such accident.' });
    const opened = await openJob(work, found.jobId);
    if (!opened.ok) return opened;
    const accident = await found.reload({ transaction: t, lock: t.LOCK.UPDATE });
    if (accident.version !== version)
      return conflict(work, accident.recordedBy, accident.remedy, accident.version);
    const before = { happened: accident.happened, remedy: accident.remedy };
    await accident.update({ happened, remedy, version: version + 1 }, { transaction: t });
    await recordEvent(work, {
      jobId: accident.jobId,
      kind: 'accident changed',
      entity: 'accident',
      entityId: accidentId,
      fromVersion: version,
      data: { before, after: { happened, remedy } },
    });
    return ok({ version: version + 1 });
  },
});
