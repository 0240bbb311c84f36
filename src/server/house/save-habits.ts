import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../events/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Keeps how the shop reads: methods, working order, units, gauges, feelings. Rounds begun keep their methods. */
export const saveHabits = defineUseCase({
  name: 'house.save-habits',
  needs: 'house',
  run: async (work, { version, habits }) => {
    const { models, t } = work;
    const known = await models.Setting.findByPk('reading habits', { transaction: t, lock: t.LOCK.UPDATE });
    if ((known?.version ?? 0) !== version) {
      return fail({
        code: 'conflict',
        message: 'Somebody changed how the shop reads meanwhile. Your changes are kept here.',
        theirs: { by: 'a colleague', says: 'another way of reading', version: known?.version ?? 0 },
      });
    }
    const before = known?.value ?? null;
    if (known) await known.update({ value: habits, version: version + 1 }, { transaction: t });
    else
      await models.Setting.create(
        { name: 'reading habits', value: habits, version: version + 1 },
        { transaction: t },
      );
    await recordEvent(work, {
      jobId: null,
      kind: 'reading habits changed',
      entity: 'setting',
      entityId: 'reading habits',
      fromVersion: version,
      data: { before, after: habits },
    });
    return ok({ version: version + 1 });
  },
});
