import { invalidField } from '../../contracts/failure.ts';
import { findingOn } from '../../core/inspection/findings.ts';
import { ANSWER_FACTS, itemsFor } from '../../core/inspection/checklist.ts';
import { ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { countLater } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { refuse } from '../../contracts/failure.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { standingItem } from './open-inspection.ts';

/** Answers one item of the checklist, with its note. The answer is kept with the checklist's version. */
export const answerItem = defineUseCase({
  name: 'inspection.answer',
  run: async (work, input) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const { instrument, inspection, checklist, known } = await standingItem(work, opened.value, input.item);
    if (inspection.finishedAt !== null)
      return { ok: false, error: refuse('This inspection is finished and kept as it is.') };
    const asked = instrument ? itemsFor(checklist, instrument.construction) : [];
    if (!asked.some((i) => i.key === input.item)) {
      return { ok: false, error: invalidField('item', 'This instrument is not asked about that.') };
    }
    if (input.finding && findingOn(input.item, input.finding) === null)
      return { ok: false, error: invalidField('finding', 'That is not found on this item.') };
    const where = { inspectionId: inspection.id, item: input.item };
    if ((known?.version ?? 0) !== input.version) {
      const says = known?.answer ? ANSWER_FACTS[known.answer].name : 'not answered';
      return conflict(
        work,
        known?.answeredBy ?? null,
        `${says}${known?.note ? `, “${known.note}”` : ''}`,
        known?.version ?? 0,
      );
    }
    const values = {
      answer: input.answer,
      note: input.note,
      finding: input.answer === 'work' ? input.finding || null : null,
      answeredBy: actor.personId,
      answeredAt: now,
      version: input.version + 1,
    };
    const found = (finding: string | null) => (finding === null ? {} : { finding });
    const before = known ? { answer: known.answer, note: known.note, ...found(known.finding) } : null;
    if (known) await known.update(values, { transaction: t });
    else await models.InspectionAnswer.create({ ...where, ...values }, { transaction: t });
    await countLater(work, opened.value);
    await recordEvent(work, {
      jobId: input.jobId,
      kind: 'item answered',
      entity: 'inspection',
      entityId: input.item,
      fromVersion: input.version,
      data: { before, after: { answer: input.answer, note: input.note, ...found(values.finding) } },
    });
    return ok({ version: input.version + 1 });
  },
});
