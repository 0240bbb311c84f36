import { Op, type Transaction } from 'sequelize';
import { afterWrongPin, FORGOTTEN_MS, isLocked } from '../../core/people/lock-out.ts';
import type { Models } from '../db/models/index.ts';

/** Whose PIN is tried, and where. */
export interface Tried {
  readonly personId: number;
  readonly deviceId: number;
}

/** Says for how long a name is locked on a tablet. */
export const lockedMessage = (until: number, now: Date): string => {
  const minutes = Math.max(1, Math.ceil((until - now.getTime()) / 60_000));
  return `Too many wrong PINs. Locked for ${minutes} ${minutes === 1 ? 'minute' : 'minutes'} on this device.`;
};

/**
 * Counts a try as a wrong one before the PIN is looked at, under the lock of the name's row: many at once count as many, and a
 * PIN is hashed while nothing is locked. A right one is taken back by `forgetTries`.
 * @returns why the PIN is not looked at at all; else what is said should it be wrong
 */
export async function beginTry(
  models: Models,
  { personId, deviceId }: Tried,
  now: Date,
  t: Transaction,
): Promise<{ readonly locked: string } | { readonly ifWrong: string }> {
  const rows = await models.PinTroubleRow.findAll({
    where: { personId, failedAt: { [Op.or]: [null, { [Op.gt]: new Date(now.getTime() - FORGOTTEN_MS) }] } },
    transaction: t,
    lock: t.LOCK.UPDATE,
  });
  const own = rows.find((r) => r.deviceId === deviceId);
  const trouble = { failed: own?.failed ?? 0, lockedUntil: own?.lockedUntil?.getTime() ?? null };
  if (isLocked(trouble, now.getTime())) return { locked: lockedMessage(trouble.lockedUntil ?? 0, now) };
  const elsewhere = rows.filter((r) => r.deviceId !== deviceId).reduce((sum, r) => sum + r.failed, 0);
  const { failed, lockedUntil } = afterWrongPin(trouble, elsewhere, now.getTime());
  await models.PinTroubleRow.upsert(
    {
      personId,
      deviceId,
      failed,
      lockedUntil: lockedUntil === null ? null : new Date(lockedUntil),
      failedAt: now,
    },
    { transaction: t },
  );
  return { ifWrong: lockedUntil === null ? '' : lockedMessage(lockedUntil, now) };
}

/** The PIN was right: what was counted for the name on this tablet is forgotten. Another name's, and another tablet's, stay. */
export const forgetTries = (models: Models, where: Tried, t: Transaction | null): Promise<number> =>
  models.PinTroubleRow.destroy({ where: { ...where }, transaction: t });
