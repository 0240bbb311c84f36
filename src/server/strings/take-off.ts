import { invalidField, refuse } from '../../contracts/failure.ts';
import { isLookedAt } from '../../core/inspection/checklist.ts';
import { lostWithoutStrings } from '../../core/inspection/strings-gate.ts';
import { ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { readJob } from '../jobs/read-job.ts';
import { countLater } from '../jobs/job-facts.ts';
import { judge } from '../../core/job/judge.ts';
import { openJob } from '../jobs/open-job.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/**
 * The strings come off. What can be read only with them on must be read first, or a reason given; who did it, when, and
 * what was lost is kept. What is read from now on is not representative until strings are on again.
 */
export const takeStringsOff = defineUseCase({
  name: 'strings.off',
  run: async (work, input) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    if (job.stringsState === 'off') return { ok: false, error: refuse('The strings are off already.') };
    const gathered = await readJob(models, job, [], t);
    const answered = new Set(gathered.answers.filter((a) => isLookedAt(a.answer)).map((a) => a.item));
    const gate = lostWithoutStrings(
      job.stringsState,
      gathered.stations,
      gathered.readings,
      judge(gathered).items,
      answered,
    );
    const lost = { readings: gate.readings.map((s) => s.label), items: gate.items.map((i) => i.title) };
    const count = lost.readings.length + lost.items.length;
    if (count > 0 && input.reason === '') {
      const message = `${count} things can be read only with the strings on. Read them, or say why not.`;
      return { ok: false, error: invalidField('reason', message) };
    }
    const before = job.stringsState;
    const { strings } = gathered.instrument.construction;
    await models.StringChange.create(
      {
        jobId: job.id,
        kind: 'off',
        reason: input.reason,
        lost,
        fresh: null,
        strings,
        changedBy: actor.personId,
        changedAt: now,
      },
      { transaction: t },
    );
    await job.update({ stringsState: 'off', version: job.version + 1 }, { transaction: t });
    await models.Round.update({ strings: 'off' }, { where: { jobId: job.id }, transaction: t });
    await countLater(work, job);
    await recordEvent(work, {
      jobId: job.id,
      kind: 'strings taken off',
      entity: 'job',
      entityId: job.id,
      fromVersion: job.version - 1,
      data: { before, reason: input.reason, lost },
    });
    return ok({ lost: count });
  },
});
