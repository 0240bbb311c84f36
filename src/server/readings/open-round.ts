import { tuningName } from '../../core/instrument/defaults.ts';
import { nextAfterRound, type RoundKind } from '../../core/readings/rounds.ts';
import { operation } from '../../core/plan/operations.ts';
import { catalogueOf } from '../house/load-operations.ts';
import type { Job } from '../db/models/jobs.ts';
import type { Work } from '../use-case/use-case.ts';

/** What moved readings and is finished: steps of the work, and strings that went on. */
async function finishedMovers({ models, t }: Work, job: Job) {
  const where = { jobId: job.id };
  const [lines, strings, catalogue] = await Promise.all([
    models.WorkLine.findAll({ where, transaction: t }),
    models.StringChange.findAll({ where: { ...where, kind: 'on' }, transaction: t }),
    catalogueOf(models, t),
  ]);
  return [
    ...lines
      .filter((l) => l.finishedAt !== null && operation(l.operation, catalogue).stale.length > 0)
      .map((l) => ({ title: l.title, at: l.finishedAt?.getTime() ?? 0 })),
    ...strings.map((s) => ({
      title: s.fresh ? 'New strings put on' : 'The strings put back on',
      at: s.changedAt.getTime(),
    })),
  ];
}

/** The after-work round that readings belong to now: a new one where something was finished since the last began. */
export async function currentAfterRound(work: Work, job: Job): Promise<RoundKind> {
  const rounds = await work.models.Round.findAll({ where: { jobId: job.id }, transaction: work.t });
  const begun = rounds.map((r) => ({ kind: r.kind, startedAt: r.startedAt.getTime() }));
  const next = nextAfterRound(begun, await finishedMovers(work, job));
  if (next) return next.kind;
  const last = begun
    .filter((r) => r.kind.startsWith('after-work'))
    .sort((a, b) => b.startedAt - a.startedAt)[0];
  return last?.kind ?? 'after-work';
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
    kind.startsWith('after-work') ? await finishedMovers(work, job) : [],
  );
  const instrument = await models.Instrument.findByPk(job.instrumentId, { transaction: t });
  return models.Round.create(
    {
      jobId: job.id,
      kind,
      title: next?.kind === kind ? next.title : '',
      strings: job.stringsState === 'off' ? 'off' : 'at-pitch',
      position: before?.position ?? 'playing',
      tuning: before?.tuning ?? tuningName(instrument?.construction.strings ?? []),
      temperature: before?.temperature ?? null,
      humidity: before?.humidity ?? null,
      pitch: before?.pitch ?? null,
      methods: before?.methods ?? null,
      gauges: before?.gauges ?? null,
      startedAt: now,
    },
    { transaction: t },
  );
}
