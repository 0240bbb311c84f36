import { circleIn, wholeOperation } from '../../core/catalogue/operations.ts';
import { fail, ok } from '../../core/result.ts';
import { invalidField } from '../../contracts/failure.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Keeps the shop's catalogue as its next version. Earlier versions stay; jobs go by the newest from now on. */
export const saveOperations = defineUseCase({
  name: 'house.save-operations',
  run: async (work, { version, operations, note }) => {
    const { models, t, actor, now } = work;
    const newest = await models.OperationVersion.findOne({
      order: [['version', 'DESC']],
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    const at = newest?.version ?? 0;
    if (at !== version)
      return fail({
        code: 'conflict',
        message: `The catalogue is at version ${at} by now: somebody saved it meanwhile. Your changes are kept here.`,
        theirs: { by: 'a colleague', says: `version ${at}`, version: at },
      });
    const circle = circleIn(operations);
    if (circle !== null)
      return fail(invalidField('operations', `${circle.join(' needs ')}: that is a circle.`));
    await models.OperationVersion.create(
      {
        version: at + 1,
        operations: operations.map(wholeOperation),
        note,
        savedBy: actor.personId,
        savedAt: now,
      },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: 'operations saved',
      entity: 'operations',
      entityId: at + 1,
      fromVersion: at,
      data: { note },
    });
    return ok({ version: at + 1 });
  },
});
