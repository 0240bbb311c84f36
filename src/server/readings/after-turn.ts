import type { Construction } from '../../core/instrument/construction.ts';
import { wholeOperation } from '../../core/catalogue/operations.ts';
import { judge } from '../../core/job/judge.ts';
import { latestReadings, type Reading } from '../../core/readings/reading.ts';
import { standardReadings } from '../../core/readings/standard.ts';
import { RELIEF_FRET, stationKey } from '../../core/readings/stations.ts';
import type { Job } from '../db/models/jobs.ts';
import type { RodTurn } from '../db/models/work.ts';
import { seeTogether } from '../db/read-together.ts';
import { asReading } from '../jobs/job-rows.ts';
import { readJob } from '../jobs/read-job.ts';
import type { Work } from '../use-case/use-case.ts';

const RELIEF = stationKey('relief', 0, RELIEF_FRET);

const RELIEFS = "quantity = 'relief' AND round_id IN (SELECT id FROM rounds WHERE job_id = :job)";

/**
 * The reliefs that were read on a job, whether or not they are stale, in the way the sums want them, mm. Of all readings only those of
 * the relief itself bear on them.
 */
async function reliefsOf(
  { models, t }: Pick<Work, 'models' | 't'>,
  job: Job,
  construction: Construction,
): Promise<readonly Reading[]> {
  const wanted = {
    rounds: { model: models.Round, where: 'job_id = :job' },
    reliefs: { model: models.ReadingRow, where: RELIEFS },
  } as const;
  const { rounds, reliefs } = await seeTogether(job.sequelize, wanted, { job: job.id }, t);
  const kindOf = new Map(rounds.map((r) => [r.id, r.kind]));
  const readings = reliefs.map((r) => asReading(r, kindOf.get(r.roundId) ?? 'as-found'));
  return standardReadings(construction, readings);
}

const MINUTE = 60_000;

/** Whether what stands as the answer to a turn was read before the neck had rested, and only the newest reading was not. */
async function hasRested(
  { models, t }: Pick<Work, 'models' | 't'>,
  last: RodTurn,
  reliefs: readonly Reading[],
): Promise<boolean> {
  const line = last.lineId === null ? null : await models.WorkLine.findByPk(last.lineId, { transaction: t });
  const wait = line?.record ? wholeOperation(line.record).wait : 0;
  const turned = last.turnedAt.getTime();
  const after = reliefs.map((r) => r.takenAt).filter((at) => at >= turned);
  return after.length > 1 && after.filter((at) => at >= turned + wait * MINUTE).length === 1;
}

/** Whether something else was done since a turn that moves the relief. */
async function isMovedSince({ models, t }: Pick<Work, 'models' | 't'>, job: Job, last: RodTurn) {
  const known = await readJob(models, job, [], t);
  const rod = new Set(known.lines.filter((l) => l.operation === 'rod').map((l) => l.title));
  const turned = last.turnedAt.getTime();
  return judge(known).operations.some(
    (o) => o.at > turned && o.stale.includes('relief') && !rod.has(o.title),
  );
}

/**
 * A relief that was read after the rod’s last turn is what that turn has done: where the turn was made blind, where what was read
 * after it is put right, or where that was read before the neck had rested and this was not. Where something else was done since that
 * moves the relief, it is no answer to the turn.
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
  if (last === null) return;
  const known = last.reliefAfter;
  const own = known !== null && was !== null && Math.abs(Number(was) - Number(known)) < 1e-6;
  const reliefs = await reliefsOf(work, job, construction);
  if (known !== null) {
    if (!own && !(await hasRested(work, last, reliefs))) return;
    if (await isMovedSince(work, job, last)) return;
  }
  const after = latestReadings(reliefs).get(RELIEF)?.value;
  if (after === undefined) return;
  await last.update({ reliefAfter: after.toFixed(9), version: last.version + 1 }, { transaction: work.t });
}
