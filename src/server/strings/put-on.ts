import { invalidField, refuse } from '../../contracts/failure.ts';
import { ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { countLater } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { currentAfterRound, openRound } from '../readings/open-round.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/**
 * Strings go on: which set, new or used, each gauge. From here on readings belong to the round after the work; those
 * taken before are stale where strings move them.
 */
export const putStringsOn = defineUseCase({
  name: 'strings.on',
  run: async (work, input) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    if (job.stringsState !== 'off') return { ok: false, error: refuse('The strings are on already.') };
    const instrument = await models.Instrument.findByPk(job.instrumentId, {
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if (!instrument) return { ok: false, error: refuse('This job has no instrument.') };
    const { construction } = instrument;
    if (input.strings.length !== construction.strings.length) {
      const message = `${construction.strings.length} gauges are needed; ${input.strings.length} are written.`;
      return { ok: false, error: invalidField('strings', message) };
    }
    const before = construction.strings;
    await instrument.update(
      { construction: { ...construction, strings: input.strings } },
      { transaction: t },
    );
    await models.StringChange.create(
      {
        jobId: job.id,
        kind: 'on',
        lost: { readings: [], items: [] },
        setName: input.setName,
        fresh: input.fresh,
        strings: input.strings,
        changedBy: actor.personId,
        changedAt: now,
      },
      { transaction: t },
    );
    await job.update({ stringsState: 'at-pitch', version: job.version + 1 }, { transaction: t });
    const round = await openRound(work, job, await currentAfterRound(work, job));
    await round.update({ strings: 'at-pitch', version: round.version + 1 }, { transaction: t });
    await countLater(work, job);
    await recordEvent(work, {
      jobId: job.id,
      kind: 'strings put on',
      entity: 'job',
      entityId: job.id,
      fromVersion: job.version - 1,
      data: { before, after: input.strings, setName: input.setName, fresh: input.fresh },
    });
    return ok({ round: round.kind });
  },
});
