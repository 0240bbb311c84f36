import { learnLater } from '../learn/learn-later.ts';
import { refuse } from '../../contracts/failure.ts';
import { tweakIsFree } from '../../core/hand-over/rules.ts';
import { operation } from '../../core/catalogue/operations.ts';
import { afterNumber, type RoundKind } from '../../core/readings/rounds.ts';
import { fail, ok } from '../../core/result.ts';
import type { Job } from '../db/models/jobs.ts';
import type { HandOver } from '../db/models/work.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { catalogueOf } from '../house/load-operations.ts';
import { rulesOf } from '../house/load-rules.ts';
import { countLater } from '../jobs/job-facts.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';

/** What was left at the signature becomes a round among the others: it is read again, and nothing is overwritten. */
async function keepLeftRound({ models, t }: Work, job: Job): Promise<RoundKind | null> {
  const rounds = await models.Round.findAll({ where: { jobId: job.id }, transaction: t });
  const left = rounds.find((r) => r.kind === 'as-left');
  if (!left) return null;
  const n = Math.max(0, ...rounds.map((r) => afterNumber(r.kind))) + 1;
  const kind: RoundKind = n === 1 ? 'after-work' : `after-work-${n}`;
  await left.update({ kind, title: 'What was left and signed' }, { transaction: t });
  return kind;
}

/** The sealed sheet moves to the earlier seals, as it is; a new one is begun and will be chained to it. */
async function putAside(
  work: Work,
  job: Job,
  sheet: HandOver,
  tweak: string,
  free: boolean,
): Promise<number> {
  const { models, t, actor, now } = work;
  const number = (await models.EarlierSeal.count({ where: { jobId: job.id }, transaction: t })) + 1;
  await models.EarlierSeal.create(
    {
      jobId: job.id,
      number,
      record: sheet.record ?? '',
      shown: sheet.shown,
      digest: sheet.digest ?? '',
      signer: sheet.signer,
      signature: sheet.signature,
      signedAt: sheet.signedAt ?? now,
      tweak,
      free,
      reopenedBy: actor.personId,
      reopenedAt: now,
    },
    { transaction: t },
  );
  await sheet.update(
    {
      checks: {},
      exceptionText: '',
      ending: 'done',
      endingNote: '',
      endedAt: null,
      endedBy: null,
      checkedAt: null,
      secondBy: null,
      secondAt: null,
      signer: '',
      signature: null,
      signedAt: null,
      digest: null,
      record: null,
      shown: null,
      subject: null,
      advice: null,
      nextCheck: null,
      version: sheet.version + 1,
    },
    { transaction: t },
  );
  await sheet.update({ checkedBy: null }, { transaction: t });
  return number;
}

/**
 * The customer asks for a tweak after the signature: the job is open again, without a new charge inside the shop's window.
 * What was signed stays as it was sealed.
 */
export const askTweak = defineUseCase({
  name: 'hand-over.tweak',
  run: async (work, { jobId, words }) => {
    const { models, t, now } = work;
    const job = await models.Job.findByPk(jobId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!job) return fail({ code: 'not-found', message: 'There is no such job.' });
    const sheet = await models.HandOver.findOne({ where: { jobId }, transaction: t, lock: t.LOCK.UPDATE });
    if (job.state !== 'closed' || !sheet?.signedAt || !sheet.digest)
      return fail(refuse(`Job ${job.number} is still open: put it on the work order.`));
    const other = await models.Job.findOne({
      where: { instrumentId: job.instrumentId, state: 'open' },
      transaction: t,
    });
    if (other) return fail(refuse(`The instrument is here already, as job ${other.number}.`));
    const settings = await models.Setting.findAll({ transaction: t });
    const free = tweakIsFree(rulesOf(settings), sheet.signedAt.getTime(), now.getTime());
    const { signer } = sheet;
    const round = await keepLeftRound(work, job);
    const number = await putAside(work, job, sheet, words, free);
    const op = operation('tweak', await catalogueOf(models, t));
    const line = await models.WorkLine.create(
      {
        jobId,
        operation: op.id,
        record: op,
        title: op.name,
        detail: words.slice(0, 400),
        sort: op.order + number,
        minutes: op.minutes.likely,
        priceMinor: free ? 0 : op.price,
        partsMinor: 0,
        ...(free && {
          approval: 'yes' as const,
          approvedBy: signer,
          approvedHow: 'asked for it',
          approvedAt: now,
        }),
      },
      { transaction: t },
    );
    job.set({
      state: 'open',
      closedAt: null,
      waitingFor: 'hands',
      waitingNote: `tweak: ${words}`.slice(0, 200),
      version: job.version + 1,
    });
    await countLater(work, job);
    await learnLater(work, [job.instrumentId]);
    await recordEvent(work, {
      jobId,
      kind: 'job reopened',
      entity: 'job',
      entityId: jobId,
      fromVersion: null,
      data: { words, free, signature: number, round: round ?? '' },
    });
    return ok({ lineId: line.id, free });
  },
});
