import { afterWrongPin, isLocked, type PinTrouble } from '../../core/people/lock-out.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { refuse, type Failure } from '../../contracts/failure.ts';
import type { Database } from '../db/connection.ts';
import { pinMatches } from './pin.ts';
import { newToken, tokenHash } from './tokens.ts';

/** A session lasts a working day. */
export const SESSION_HOURS = 14;

/** Says for how long a name is locked on a tablet. */
export const lockedMessage = (until: number, now: Date): string => {
  const minutes = Math.max(1, Math.ceil((until - now.getTime()) / 60_000));
  return `Too many wrong PINs. Locked for ${minutes} ${minutes === 1 ? 'minute' : 'minutes'} on this device.`;
};

/**
 * Signs a person in on a paired device with their PIN. Wrong PINs are counted under a row lock, so that many tries at
 * once count as many; a locked name is refused before the PIN is looked at.
 */
export async function signIn(
  db: Database,
  deviceToken: string,
  personId: number,
  pin: string,
  now: Date,
): Promise<Result<{ token: string; expiresAt: Date }, Failure>> {
  const { models } = db;
  return db.sequelize.transaction(async (t) => {
    const device = await models.Device.findOne({
      where: { tokenHash: tokenHash(deviceToken), revokedAt: null },
      transaction: t,
    });
    const person = await models.Person.findOne({
      where: { id: personId, active: true },
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if (!device || !person) return fail(refuse('This device is not paired with the shop.'));
    const where = { personId, deviceId: device.id };
    const known = await models.PinTroubleRow.findOne({ where, transaction: t, lock: t.LOCK.UPDATE });
    const trouble: PinTrouble = {
      failed: known?.failed ?? 0,
      lockedUntil: known?.lockedUntil?.getTime() ?? null,
    };
    if (isLocked(trouble, now.getTime())) return fail(refuse(lockedMessage(trouble.lockedUntil ?? 0, now)));
    const event = (kind: string) =>
      models.EventRow.create(
        {
          at: now,
          personId,
          deviceId: device.id,
          jobId: null,
          kind,
          entity: 'person',
          entityId: String(personId),
          fromVersion: null,
          data: {},
        },
        { transaction: t },
      );
    if (!(await pinMatches(pin, person.pinHash))) {
      const next = afterWrongPin(trouble, now.getTime());
      await models.PinTroubleRow.upsert(
        {
          ...where,
          failed: next.failed,
          lockedUntil: next.lockedUntil === null ? null : new Date(next.lockedUntil),
        },
        { transaction: t },
      );
      await event('wrong PIN');
      return fail(
        refuse(next.lockedUntil === null ? 'That is not the PIN.' : lockedMessage(next.lockedUntil, now)),
      );
    }
    if (known) await known.destroy({ transaction: t });
    const token = newToken();
    const expiresAt = new Date(now.getTime() + SESSION_HOURS * 3_600_000);
    await models.Session.create(
      { tokenHash: tokenHash(token), ...where, createdAt: now, expiresAt },
      { transaction: t },
    );
    await device.update({ seenAt: now, seenBy: personId }, { transaction: t });
    await event('signed in');
    return ok({ token, expiresAt });
  });
}

/** Ends a session. */
export async function signOut({ models }: Database, sessionToken: string, now: Date): Promise<void> {
  await models.Session.update(
    { endedAt: now },
    { where: { tokenHash: tokenHash(sessionToken), endedAt: null } },
  );
}
