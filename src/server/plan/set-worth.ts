import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Says what an instrument is worth: it decides what may be spent on it and what may be done to it. */
export const setWorth = defineUseCase({
  name: 'plan.worth',
  run: async (work, { jobId, worthMinor, version }) => {
    const { models, t } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const instrument = await models.Instrument.findByPk(opened.value.instrumentId, {
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if (!instrument)
      return fail({ code: 'not-found', message: 'That instrument is not on the shelf any more.' });
    if (instrument.version !== version)
      return conflict(work, null, 'what this instrument is', instrument.version);
    const before = instrument.worthMinor;
    await instrument.update({ worthMinor, version: version + 1 }, { transaction: t });
    await recordEvent(work, {
      jobId,
      kind: 'worth said',
      entity: 'instrument',
      entityId: instrument.id,
      fromVersion: version,
      data: { before, after: worthMinor },
    });
    return ok({ version: version + 1 });
  },
});
