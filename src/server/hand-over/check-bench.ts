import { allTicked, benchChecks } from '../../core/job/bench-check.ts';
import { ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { countLater } from '../jobs/job-facts.ts';
import { readJob } from '../jobs/read-job.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { openHandOver } from './open-hand-over.ts';

/** Ticks the bench check; when all is ticked it is signed by who did it. */
export const checkBench = defineUseCase({
  name: 'hand-over.check',
  run: async (work, input) => {
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const sheet = await openHandOver(work, input.jobId);
    if (sheet.version !== input.version)
      return conflict(work, sheet.checkedBy, 'bench check changed', sheet.version);
    const g = await readJob(work.models, opened.value, ['things'], work.t);
    // What this order does not ask cannot be ticked.
    const asked = benchChecks(g, g.things.length > 0);
    const checks = Object.fromEntries(asked.map((c) => [c.key, input.checks[c.key] === true]));
    const all = allTicked(asked, checks);
    const before = { checks: sheet.checks, exception: sheet.exceptionText };
    await sheet.update(
      {
        checks,
        exceptionText: input.exception,
        checkedAt: all ? work.now : null,
        checkedBy: all ? work.actor.personId : null,
        // What changed was not what the second person signed.
        secondAt: null,
        secondBy: null,
        version: input.version + 1,
      },
      { transaction: work.t },
    );
    await countLater(work, opened.value);
    await recordEvent(work, {
      jobId: input.jobId,
      kind: 'bench checked',
      entity: 'hand-over',
      entityId: sheet.id,
      fromVersion: input.version,
      data: { before, after: { checks, exception: input.exception } },
    });
    return ok({ version: sheet.version });
  },
});
