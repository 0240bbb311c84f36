import { refuse } from '../../contracts/failure.ts';
import { stationKey } from '../../core/readings/stations.ts';
import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { countLater } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { keepResults } from '../plan/keep-results.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/**
 * Takes a reading back: nothing stands at that place of the round any more, the log keeps what did. Its version is
 * remembered, so that a screen which still shows it cannot write over what is read there next.
 */
export const takeReadingBack = defineUseCase({
  name: 'readings.take-back',
  run: async (work, { jobId, round: kind, quantity, string, fret, version }) => {
    const { models, t } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const round = await models.Round.findOne({ where: { jobId, kind }, transaction: t, lock: t.LOCK.UPDATE });
    const where = { roundId: round?.id ?? 0, quantity, stringNo: string, fret };
    const row = round && (await models.ReadingRow.findOne({ where, transaction: t, lock: t.LOCK.UPDATE }));
    if (!round || !row) return fail(refuse('Nothing is read at this place any more.'));
    if (row.version !== version) return conflict(work, row.takenBy, row.typed, row.version);
    const key = stationKey(quantity, string, fret);
    const { typed, value, unit, takenBy, takenAt } = row;
    await row.destroy({ transaction: t });
    await round.update({ takenBack: { ...round.takenBack, [key]: version } }, { transaction: t });
    if (kind === 'as-left') await keepResults(work, opened.value);
    await countLater(work, opened.value);
    await recordEvent(work, {
      jobId,
      kind: 'reading taken back',
      entity: 'reading',
      entityId: `${kind}:${key}`,
      fromVersion: version,
      data: { before: { typed, value, unit, takenBy, takenAt }, after: {} },
    });
    return ok({ version: 0 });
  },
});
