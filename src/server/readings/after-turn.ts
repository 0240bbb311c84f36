import type { Construction } from '../../core/instrument/construction.ts';
import { latestReadings } from '../../core/readings/reading.ts';
import { standardReadings } from '../../core/readings/standard.ts';
import { RELIEF_FRET, stationKey } from '../../core/readings/stations.ts';
import type { Job } from '../db/models/jobs.ts';
import type { RodTurn } from '../db/models/work.ts';
import { seeTogether } from '../db/read-together.ts';
import { asReading } from '../jobs/job-rows.ts';
import type { Work } from '../use-case/use-case.ts';

const RELIEF = stationKey('relief', 0, RELIEF_FRET);

const RELIEFS = "quantity = 'relief' AND round_id IN (SELECT id FROM rounds WHERE job_id = :job)";

/**
 * What the relief was last read as, whether or not it is stale, in the way the sums want it; null where it never was. mm. Of all
 * readings only those of the relief itself bear on it.
 */
async function lastRelief(
  { models, t }: Pick<Work, 'models' | 't'>,
  job: Job,
  construction: Construction,
): Promise<number | null> {
  const wanted = {
    rounds: { model: models.Round, where: 'job_id = :job' },
    reliefs: { model: models.ReadingRow, where: RELIEFS },
  } as const;
  const { rounds, reliefs } = await seeTogether(job.sequelize, wanted, { job: job.id }, t);
  const kindOf = new Map(rounds.map((r) => [r.id, r.kind]));
  const readings = reliefs.map((r) => asReading(r, kindOf.get(r.roundId) ?? 'as-found'));
  return latestReadings(standardReadings(construction, readings)).get(RELIEF)?.value ?? null;
}

/**
 * A relief that was read after the rod's last turn is what that turn has done: where the turn was made blind, or where what was
 * read after it is put right.
 * @param last the turn that was logged last; null where none was
 * @param was what stood at the same place of the same round before; null where nothing did
 */
export async function readAfterTurn(
  work: Work,
  job: Job,
  construction: Construction,
  last: RodTurn | null,
  was: string | null,
): Promise<void> {
  const own =
    was !== null && last?.reliefAfter != null && Math.abs(Number(was) - Number(last.reliefAfter)) < 1e-6;
  if (last === null || (last.reliefAfter !== null && !own)) return;
  const after = await lastRelief(work, job, construction);
  if (after === null) return;
  await last.update({ reliefAfter: after.toFixed(9), version: last.version + 1 }, { transaction: work.t });
}
