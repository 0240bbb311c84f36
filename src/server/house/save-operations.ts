import { circleIn, wholeOperation, type KeptOperation } from '../../core/catalogue/operations.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { invalidField, type Failure } from '../../contracts/failure.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';

/** A catalogue with what is said of it, at the version it was begun from. */
interface ToKeep {
  readonly version: number;
  readonly operations: readonly KeptOperation[];
  readonly note: string;
}

/** Keeps a catalogue as the shop's next version. Earlier versions stay; jobs go by the newest from now on. */
export async function keepCatalogue(
  work: Work,
  { version, operations, note }: ToKeep,
): Promise<Result<{ version: number }, Failure>> {
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
}

/** Keeps the shop's catalogue as a person changed it. */
export const saveOperations = defineUseCase({ name: 'house.save-operations', run: keepCatalogue });
