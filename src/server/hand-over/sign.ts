import { refuse } from '../../contracts/failure.ts';
import { endOfJob, obstacles } from '../../core/hand-over/obstacles.ts';
import { canonicalJson } from '../../core/record/canonical.ts';
import { ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { enterSeal } from '../ledger/ledger.ts';
import { learnLater } from '../learn/learn-later.ts';
import { readJob } from '../jobs/read-job.ts';
import { countLater } from '../jobs/job-facts.ts';
import { judge } from '../../core/job/judge.ts';
import { offerNextCheck } from '../messages/next-check.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { openHandOver } from './open-hand-over.ts';
import { subjectOf } from '../../core/job/views/sealed-record.ts';
import { buildRecord, digestOf, sha256 } from './sealed-record.ts';
import { SHEET_PARTS, sheetText } from './shown-sheet.ts';
import { releaseAll } from '../stores/release-all.ts';

/** The customer signs: the record is built, digested and sealed, and the job closes. */
export const sign = defineUseCase({
  name: 'hand-over.sign',
  run: async (work, input) => {
    const { models, t, now } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    const sheet = await openHandOver(work, input.jobId);
    if (sheet.version !== input.version)
      return conflict(work, sheet.checkedBy, 'the hand-over sheet changed', sheet.version);
    const g = await readJob(models, job, SHEET_PARTS, t);
    const open = obstacles(g, judge(g), g.shop.rules, now.getTime());
    if (open.length > 0) return { ok: false, error: refuse(`Not yet: ${open.join('; ')}.`) };
    const shown = sheetText(g, judge(g), now);
    if (input.shown !== undefined && input.shown !== sha256(shown))
      return {
        ok: false,
        error: refuse('The sheet has changed since it was shown: read it once more, then sign.'),
      };
    // The check that signing and digest come together holds for each statement: sign with an empty digest first.
    const signature = input.signature === null ? null : JSON.stringify(input.signature);
    await sheet.update(
      {
        subject: subjectOf(g.instrument, g.customer?.name ?? ''),
        signer: input.signer,
        signature,
        shown,
        signedAt: now,
        digest: '',
        record: '',
        version: input.version + 1,
      },
      { transaction: t },
    );
    if (endOfJob(g) === 'done') await offerNextCheck(work, job, sheet);
    await recordEvent(work, {
      jobId: job.id,
      kind: 'signed',
      entity: 'hand-over',
      entityId: sheet.id,
      fromVersion: input.version,
      data: { signer: input.signer },
    });
    job.set({
      state: 'closed',
      closedAt: now,
      waitingFor: 'home',
      waitingNote: '',
      waitingUntil: null,
      version: job.version + 1,
    });
    await releaseAll(work, job.id);
    await countLater(work, job);
    await learnLater(work, [job.instrumentId]);
    const record = await buildRecord(models, job, t);
    const digest = digestOf(record);
    await sheet.update({ record: canonicalJson(record), digest }, { transaction: t });
    await enterSeal(models, t, 'seal', { jobId: job.id, digest, keptDigest: null }, now);
    return ok({ digest });
  },
});
