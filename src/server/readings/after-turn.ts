import { latestReadings } from '../../core/readings/reading.ts';
import { RELIEF_FRET, stationKey } from '../../core/readings/stations.ts';
import type { Job } from '../db/models/jobs.ts';
import type { RodTurn } from '../db/models/work.ts';
import { readJob } from '../jobs/read-job.ts';
import type { Work } from '../use-case/use-case.ts';

const RELIEF = stationKey('relief', 0, RELIEF_FRET);

/** What the relief was last read as, whether or not it is stale, in the way the sums want it; null where it never was. mm */
async function lastRelief({ models, t }: Pick<Work, 'models' | 't'>, job: Job): Promise<number | null> {
  const { standard } = await readJob(models, job, [], t);
  return latestReadings(standard).get(RELIEF)?.value ?? null;
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
  last: RodTurn | null,
  was: string | null,
): Promise<void> {
  const own =
    was !== null && last?.reliefAfter != null && Math.abs(Number(was) - Number(last.reliefAfter)) < 1e-6;
  if (last === null || (last.reliefAfter !== null && !own)) return;
  const after = await lastRelief(work, job);
  if (after === null) return;
  await last.update({ reliefAfter: after.toFixed(9), version: last.version + 1 }, { transaction: work.t });
}
