import { refuse } from '../../contracts/failure.ts';
import { endingObstacles } from '../../core/hand-over/obstacles.ts';
import { fail, ok } from '../../core/result.ts';
import { countLater } from '../jobs/job-facts.ts';
import { learnLater } from '../learn/learn-later.ts';
import { openJob } from '../jobs/open-job.ts';
import { readJob } from '../jobs/read-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { openHandOver } from './open-hand-over.ts';
import { releaseAll } from '../stores/release-all.ts';

/** Says how a job will end that the customer signs for: done, or as it is. It can be said otherwise until they have signed. */
export const sayEnding = defineUseCase({
  name: 'hand-over.ending',
  run: async (work, { jobId, version, ending, note }) => {
    const { t } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const sheet = await openHandOver(work, jobId);
    if (sheet.version !== version)
      return conflict(work, sheet.checkedBy, 'the hand-over sheet changed', sheet.version);
    const before = { ending: sheet.ending, note: sheet.endingNote };
    await sheet.update({ ending, endingNote: note, version: version + 1 }, { transaction: t });
    await countLater(work, opened.value);
    await recordEvent(work, {
      jobId,
      kind: 'ending said',
      entity: 'hand-over',
      entityId: sheet.id,
      fromVersion: version,
      data: { before, after: { ending, note } },
    });
    return ok({ version: version + 1 });
  },
});

/**
 * Ends a job that nobody signs for: called off, given to another shop, ready for the floor, never collected. Nothing is sealed;
 * what was done and who ended it stand in the record.
 */
export const endJob = defineUseCase({
  name: 'hand-over.end',
  run: async (work, { jobId, version, ending, note }) => {
    const { models, t, now, actor } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    const sheet = await openHandOver(work, jobId);
    if (sheet.version !== version)
      return conflict(work, sheet.checkedBy, 'the hand-over sheet changed', sheet.version);
    const g = await readJob(models, job, ['things'], t);
    const reminders = await models.MessageRow.count({
      where: { jobId, purpose: 'ready', state: 'delivered' },
      transaction: t,
    });
    const open = endingObstacles(g, ending, g.shop.rules, { reminders });
    if (open.length > 0) return fail(refuse(`Not yet: ${open.join('; ')}.`));
    await sheet.update(
      { ending, endingNote: note, endedAt: now, endedBy: actor.personId, version: version + 1 },
      { transaction: t },
    );
    if (ending === 'floor') await g.instrument.update({ floorSince: now }, { transaction: t });
    job.set({
      state: 'closed',
      closedAt: now,
      waitingFor: 'home',
      waitingNote: '',
      waitingUntil: null,
      version: job.version + 1,
    });
    await releaseAll(work, jobId);
    await countLater(work, job);
    await learnLater(work, [job.instrumentId]);
    await recordEvent(work, {
      jobId,
      kind: 'job ended',
      entity: 'job',
      entityId: jobId,
      fromVersion: version,
      data: { after: { ending, note } },
    });
    return ok({ version: version + 1 });
  },
});

/** Opens a job again that was ended without a signature: a slip has a way back. */
export const reopenJob = defineUseCase({
  name: 'hand-over.reopen',
  run: async (work, { jobId, why }) => {
    const { models, t } = work;
    const job = await models.Job.findByPk(jobId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!job) return fail({ code: 'not-found', message: 'There is no such job.' });
    const sheet = await openHandOver(work, jobId);
    if (job.state !== 'closed' || sheet.endedAt === null)
      return fail(refuse(`Job ${job.number} was not ended without a signature.`));
    const other = await models.Job.findOne({
      where: { instrumentId: job.instrumentId, state: 'open' },
      transaction: t,
    });
    if (other) return fail(refuse(`The instrument is here already, as job ${other.number}.`));
    const before = { ending: sheet.ending, note: sheet.endingNote };
    const version = sheet.version + 1;
    await sheet.update(
      { ending: 'done', endingNote: '', endedAt: null, endedBy: null, version },
      { transaction: t },
    );
    if (before.ending === 'floor')
      await models.Instrument.update(
        { floorSince: null },
        { where: { id: job.instrumentId }, transaction: t },
      );
    job.set({ state: 'open', closedAt: null, waitingFor: 'hands', version: job.version + 1 });
    await countLater(work, job);
    await learnLater(work, [job.instrumentId]);
    await recordEvent(work, {
      jobId,
      kind: 'job opened again',
      entity: 'job',
      entityId: jobId,
      fromVersion: version - 1,
      data: { before, why },
    });
    return ok({ version });
  },
});
