import type { Failure } from '../../contracts/failure.ts';
import { fail } from '../../core/result.ts';
import type { Work } from './use-case.ts';

/** The conflict two people make when they change the same thing: what the other one saved. */
export async function conflict(
  { models, t }: Work,
  personId: number | null,
  says: string,
  version: number,
): Promise<{ readonly ok: false; readonly error: Failure }> {
  const person = personId === null ? null : await models.Person.findByPk(personId, { transaction: t });
  const by = person?.name ?? 'a colleague';
  return fail({
    code: 'conflict',
    message: `${by} changed this meanwhile: ${says}`,
    theirs: { by, says, version },
  });
}
