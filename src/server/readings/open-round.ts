import { tuningName } from '../../core/instrument/defaults.ts';
import type { RoundKind } from '../../core/readings/reading.ts';
import type { Job } from '../db/models/jobs.ts';
import type { Work } from '../use-case/use-case.ts';

/** A round of the job, begun when it is first read in; its conditions are inherited from the round before. */
export async function openRound({ models, t, now }: Work, job: Job, kind: RoundKind) {
  const known = await models.Round.findOne({
    where: { jobId: job.id, kind },
    transaction: t,
    lock: t.LOCK.UPDATE,
  });
  if (known) return known;
  const before = await models.Round.findOne({
    where: { jobId: job.id },
    order: [['startedAt', 'DESC']],
    transaction: t,
  });
  const instrument = await models.Instrument.findByPk(job.instrumentId, { transaction: t });
  return models.Round.create(
    {
      jobId: job.id,
      kind,
      strings: job.stringsState === 'off' ? 'off' : 'at-pitch',
      position: before?.position ?? 'playing',
      tuning: before?.tuning ?? tuningName(instrument?.construction.strings ?? []),
      temperature: before?.temperature ?? null,
      humidity: before?.humidity ?? null,
      startedAt: now,
    },
    { transaction: t },
  );
}
