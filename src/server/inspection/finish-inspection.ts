import { invalidField, refuse } from '../../contracts/failure.ts';
import { itemsFor } from '../../core/inspection/checklist.ts';
import { judge } from '../../core/job/judge.ts';
import { ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { countLater } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { readJob } from '../jobs/read-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { openInspection } from './open-inspection.ts';

/** Finishes the inspection: every item asked must be answered; it keeps its checklist version from here on. */
export const finishInspection = defineUseCase({
  name: 'inspection.finish',
  run: async (work, input) => {
    const { models, t, now, actor } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const { inspection, checklist } = await openInspection(work, opened.value);
    if (inspection.version !== input.version)
      return conflict(work, inspection.finishedBy, 'finished', inspection.version);
    const instrument = await models.Instrument.findByPk(opened.value.instrumentId, { transaction: t });
    const answers = await models.InspectionAnswer.findAll({
      where: { inspectionId: inspection.id },
      transaction: t,
    });
    const answered = new Set(answers.filter((a) => a.answer !== null).map((a) => a.item));
    const { bySheet } = judge(await readJob(models, opened.value, [], t));
    const asked = instrument ? itemsFor(checklist, instrument.construction) : [];
    const read = asked.filter((i) => !answered.has(i.key) && bySheet.has(i.key));
    const open = asked.filter((i) => !answered.has(i.key) && !bySheet.has(i.key));
    if (open.length > 0) {
      return { ok: false, error: refuse(`${open.length} still open, first: ${open[0]?.title ?? ''}.`) };
    }
    if (checklist.ends.length > 0 && !checklist.ends.includes(input.ending)) {
      return { ok: false, error: invalidField('ending', `It ends in one of: ${checklist.ends.join(', ')}.`) };
    }
    // What the sheet answers is kept as it was read when the inspection ended.
    for (const { key } of read) {
      const values = { answer: bySheet.get(key) ?? null, answeredBy: actor.personId, answeredAt: now };
      const unanswered = answers.find((a) => a.item === key);
      if (unanswered)
        await unanswered.update({ ...values, version: unanswered.version + 1 }, { transaction: t });
      else
        await models.InspectionAnswer.create(
          { inspectionId: inspection.id, item: key, note: '', version: 1, ...values },
          { transaction: t },
        );
    }
    await inspection.update(
      {
        ending: checklist.ends.length > 0 ? input.ending : '',
        finishedAt: now,
        finishedBy: actor.personId,
        version: input.version + 1,
      },
      { transaction: t },
    );
    await countLater(work, opened.value);
    await recordEvent(work, {
      jobId: input.jobId,
      kind: 'inspection finished',
      entity: 'inspection',
      entityId: inspection.id,
      fromVersion: input.version,
      data: { items: answered.size + read.length, ending: inspection.ending },
    });
    return ok({ version: input.version + 1 });
  },
});
