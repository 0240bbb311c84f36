import { tuningName } from '../../core/instrument/defaults.ts';
import { roundMovers, type RoundMover } from '../../core/job/round-movers.ts';
import { likelySet, likelyTuning } from '../../core/readings/set-on.ts';
import { nextAfterRound, type RoundKind } from '../../core/readings/rounds.ts';
import { catalogueOf } from '../house/load-operations.ts';
import { loggedAir } from '../air/house-air.ts';
import type { Job } from '../db/models/jobs.ts';
import type { Round } from '../db/models/readings.ts';
import type { Work } from '../use-case/use-case.ts';

/** What moved readings so far. */
async function moversOf({ models, t }: Work, job: Job): Promise<RoundMover[]> {
  const where = { jobId: job.id };
  const [lines, turns, stringChanges, catalogue] = await Promise.all([
    models.WorkLine.findAll({ where, transaction: t }),
    models.RodTurn.findAll({ where, transaction: t, order: [['id', 'ASC']] }),
    models.StringChange.findAll({ where, transaction: t }),
    catalogueOf(models, t),
  ]);
  return roundMovers({ lines, turns, stringChanges, catalogue });
}

/** The after-work round that readings belong to now: a new one where something was finished since the last began. */
export async function currentAfterRound(work: Work, job: Job): Promise<RoundKind> {
  const rounds = await work.models.Round.findAll({ where: { jobId: job.id }, transaction: work.t });
  const begun = rounds.map((r) => ({ kind: r.kind, startedAt: r.startedAt.getTime() }));
  const next = nextAfterRound(begun, await moversOf(work, job));
  if (next) return next.kind;
  const last = begun
    .filter((r) => r.kind.startsWith('after-work'))
    .sort((a, b) => b.startedAt - a.startedAt)[0];
  return last?.kind ?? 'after-work';
}

/** Air that was read longer ago says nothing of a round that begins now. */
const SAME_AIR_MS = 12 * 3_600_000;

/** The air a round begins in: as it was read with the round before on the same day, else as the shop's logger says; else nobody knows. */
async function airOfRound({ models, t, now }: Work, before: Round | undefined) {
  if (before && before.humidity !== null) {
    const where = { roundId: before.id };
    const read = await models.ReadingRow.findOne({ where, order: [['takenAt', 'DESC']], transaction: t });
    const last = read?.takenAt ?? before.startedAt;
    if (now.getTime() - last.getTime() < SAME_AIR_MS)
      return { temperature: before.temperature, humidity: before.humidity };
  }
  return (await loggedAir(models, now, t)) ?? { temperature: null, humidity: null };
}

/** A round of the job, begun when it is first read in; its conditions are inherited from the round before. */
export async function openRound(work: Work, job: Job, kind: RoundKind) {
  const { models, t, now } = work;
  const known = await models.Round.findOne({
    where: { jobId: job.id, kind },
    transaction: t,
    lock: t.LOCK.UPDATE,
  });
  if (known) return known;
  const rounds = await models.Round.findAll({
    where: { jobId: job.id },
    order: [['startedAt', 'DESC']],
    transaction: t,
  });
  const before = rounds[0];
  const next = nextAfterRound(
    rounds.map((r) => ({ kind: r.kind, startedAt: r.startedAt.getTime() })),
    kind.startsWith('after-work') ? await moversOf(work, job) : [],
  );
  const [instrument, air, changes] = await Promise.all([
    models.Instrument.findByPk(job.instrumentId, { transaction: t }),
    airOfRound(work, before),
    models.StringChange.findAll({ where: { jobId: job.id }, order: [['id', 'ASC']], transaction: t }),
  ]);
  return models.Round.create(
    {
      jobId: job.id,
      kind,
      title: next?.kind === kind ? next.title : '',
      strings: job.stringsState === 'off' ? 'off' : 'at-pitch',
      position: before?.position ?? 'playing',
      tuning: likelyTuning(before ?? null, changes, tuningName(instrument?.construction.strings ?? [])),
      ...likelySet(before ?? null, changes),
      ...air,
      pitch: before?.pitch ?? null,
      methods: before?.methods ?? null,
      gauges: before?.gauges ?? null,
      startedAt: now,
    },
    { transaction: t },
  );
}
