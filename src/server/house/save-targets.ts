import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Keeps what the shop aims at as its next version. Earlier versions stay. */
export const saveTargets = defineUseCase({
  name: 'house.save-targets',
  run: async (work, { version, targets, note }) => {
    const { models, t, actor, now } = work;
    const newest = await models.TargetVersion.findOne({
      order: [['version', 'DESC']],
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    const at = newest?.version ?? 0;
    if (at !== version) {
      return fail({
        code: 'conflict',
        message: `The targets are at version ${at} by now: somebody saved them meanwhile. Your changes are kept here.`,
        theirs: { by: 'a colleague', says: `version ${at}`, version: at },
      });
    }
    await models.TargetVersion.create(
      { version: at + 1, targets, note, savedBy: actor.personId, savedAt: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: 'targets saved',
      entity: 'targets',
      entityId: at + 1,
      fromVersion: at,
      data: { note },
    });
    return ok({ version: at + 1 });
  },
});
