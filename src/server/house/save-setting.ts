import type { Failure } from '../../contracts/failure.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import type { Work } from '../use-case/use-case.ts';

/** Keeps one of the shop's settings at the version the screen saw, with its event. */
export async function saveSetting(
  work: Work,
  {
    name,
    what,
    value,
    version,
  }: {
    name:
      | 'shop'
      | 'hand-over rules'
      | 'message gateway'
      | 'reading habits'
      | 'planning rules'
      | 'places'
      | 'first day'
      | 'messages'
      | 'periods'
      | 'opening'
      | 'copies'
      | 'doors'
      | 'week'
      | 'learned';
    what: string;
    value: unknown;
    version: number;
  },
): Promise<Result<{ version: number }, Failure>> {
  const { models, t } = work;
  const known = await models.Setting.findByPk(name, { transaction: t, lock: t.LOCK.UPDATE });
  if ((known?.version ?? 0) !== version) {
    return fail({
      code: 'conflict',
      message: `Somebody changed ${what} meanwhile. Your changes are kept here.`,
      theirs: { by: 'a colleague', says: `another version of ${what}`, version: known?.version ?? 0 },
    });
  }
  const before = known?.value ?? null;
  if (known) await known.update({ value, version: version + 1 }, { transaction: t });
  else await models.Setting.create({ name, value, version: version + 1 }, { transaction: t });
  await recordEvent(work, {
    jobId: null,
    kind: `${name} changed`,
    entity: 'setting',
    entityId: name,
    fromVersion: version,
    data: { before, after: value },
  });
  return ok({ version: version + 1 });
}
