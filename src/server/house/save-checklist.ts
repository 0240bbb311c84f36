import { fromFileItems } from '../../contracts/formats/checklist-items.ts';
import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Keeps a list as its next version; inspections begun with an earlier one keep that. Version 0 begins a new list. */
export const saveChecklist = defineUseCase({
  name: 'house.save-checklist',
  run: async (work, { list, name, ends, items, version }) => {
    const { models, t } = work;
    const newest = await models.ChecklistRow.findOne({
      where: { list },
      order: [['version', 'DESC']],
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if ((newest?.version ?? 0) !== version) {
      return fail({
        code: 'conflict',
        message: `This list is at version ${newest?.version ?? 0} by now: somebody saved it meanwhile. Your changes are kept here.`,
        theirs: { by: 'a colleague', says: `version ${newest?.version ?? 0}`, version: newest?.version ?? 0 },
      });
    }
    const row = await models.ChecklistRow.create(
      { list, name, version: version + 1, ends, items: fromFileItems(items) },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: 'checklist saved',
      entity: 'checklist',
      entityId: row.id,
      fromVersion: version,
      data: { list, items: items.length },
    });
    return ok({ version: row.version });
  },
});
