import { copyForward } from '../../core/readings/copy-forward.ts';
import { stationKey } from '../../core/readings/stations.ts';
import { ok } from '../../core/result.ts';
import { refuse } from '../../contracts/failure.ts';
import { recordEvent } from '../use-case/record-event.ts';
import type { JobReading } from '../../core/job/job.ts';
import { readJob } from '../jobs/read-job.ts';
import { countLater } from '../jobs/job-facts.ts';
import { judge } from '../../core/job/judge.ts';
import { openJob } from '../jobs/open-job.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { openRound } from './open-round.ts';

/**
 * Carries into a round what still holds from earlier ones: not stale, representative, not read there anew. Who read it and
 * when stays with it, and the round it came from is said.
 */
export const copyReadingsForward = defineUseCase({
  name: 'readings.copy-forward',
  run: async (work, input) => {
    const { models, t } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const gathered = await readJob(models, opened.value, [], t);
    const { staleByReading } = judge(gathered);
    const stale = new Set(
      gathered.readings.filter((_, i) => {
        const standard = gathered.standard[i];
        return standard !== undefined && staleByReading.has(standard);
      }),
    );
    const still = copyForward(gathered.readings, input.round, (r: JobReading) => stale.has(r));
    if (still.length === 0) {
      return {
        ok: false,
        error: refuse('Nothing holds from an earlier round: everything must be read anew.'),
      };
    }
    const round = await openRound(work, opened.value, input.round);
    const ids = new Map(gathered.rounds.map((r) => [r.id, r.kind]));
    const wanted = new Set(still.map((r) => `${r.roundId} ${r.key}`));
    const rows = await models.ReadingRow.findAll({
      where: { roundId: [...new Set(still.map((r) => r.roundId))] },
      transaction: t,
    });
    await models.ReadingRow.bulkCreate(
      rows
        .filter((row) => wanted.has(`${row.roundId} ${stationKey(row.quantity, row.stringNo, row.fret)}`))
        .map((row) => {
          const { id: _id, roundId: _round, version: _version, ...kept } = row.get({ plain: true });
          const from = row.copiedFrom ?? ids.get(row.roundId) ?? null;
          const last = round.takenBack?.[stationKey(row.quantity, row.stringNo, row.fret)] ?? 0;
          return { ...kept, roundId: round.id, copiedFrom: from, version: last + 1 };
        }),
      { transaction: t },
    );
    await countLater(work, opened.value);
    await recordEvent(work, {
      jobId: input.jobId,
      kind: 'readings carried forward',
      entity: 'round',
      entityId: round.id,
      fromVersion: round.version,
      data: { round: input.round, places: still.map((r) => r.key) },
    });
    return ok({ copied: still.length });
  },
});
