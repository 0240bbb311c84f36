import { fail, ok, type Result } from '../../core/result.ts';
import { refuse, type Failure } from '../../contracts/failure.ts';
import type { Database } from '../db/connection.ts';
import { doorEvent } from './door-event.ts';
import { beginTry, forgetTries } from './pin-tries.ts';
import { hashPin, pinFits } from './pin.ts';
import { newToken, tokenHash } from './tokens.ts';

/** A session lasts a working day. */
export const SESSION_HOURS = 14;

/** Looks up who wants in, and counts the try: the hash to hold the PIN against, or why it is not looked at. */
async function atTheDoor(db: Database, deviceToken: string, personId: number, now: Date) {
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
    const tried = { personId, deviceId: device.id };
    const begun = await beginTry(models, tried, now, t);
    if ('locked' in begun) return fail(refuse(begun.locked));
    return ok({ tried, pinHash: person.pinHash, ifWrong: begun.ifWrong });
  });
}

/**
 * Signs a person in on a paired device with their PIN. A try is counted before the PIN is looked at, so that many at once count as many;
 * a locked name is refused at once. The PIN is hashed while no connection is held. Whoever was signed in on the device before
 * is signed out.
 */
export async function signIn(
  db: Database,
  deviceToken: string,
  personId: number,
  pin: string,
  now: Date,
): Promise<Result<{ token: string; expiresAt: Date }, Failure>> {
  const { models } = db;
  const asked = await atTheDoor(db, deviceToken, personId, now);
  if (!asked.ok) return asked;
  const { tried, pinHash, ifWrong } = asked.value;
  const fits = await pinFits(pin, pinHash);
  if (fits === 'no') {
    await doorEvent(models, 'wrong PIN', { ...tried, at: now });
    return fail(refuse(ifWrong === '' ? 'That is not the PIN.' : ifWrong));
  }
  const anew = fits === 'older' ? await hashPin(pin) : null;
  return db.sequelize.transaction(async (t) => {
    // Meanwhile the PIN may have been changed, or the person sent home.
    const still = await models.Person.findOne({
      where: { id: personId, active: true, pinHash },
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if (!still) return fail(refuse('That is not the PIN.'));
    if (anew !== null) await still.update({ pinHash: anew }, { transaction: t });
    await forgetTries(models, tried, t);
    await models.Session.update(
      { endedAt: now },
      { where: { deviceId: tried.deviceId, endedAt: null }, transaction: t },
    );
    const token = newToken();
    const expiresAt = new Date(now.getTime() + SESSION_HOURS * 3_600_000);
    await models.Session.create(
      { tokenHash: tokenHash(token), ...tried, createdAt: now, usedAt: now, expiresAt },
      { transaction: t },
    );
    await models.Device.update(
      { seenAt: now, seenBy: personId },
      { where: { id: tried.deviceId }, transaction: t },
    );
    await doorEvent(models, 'signed in', { ...tried, at: now }, t);
    return ok({ token, expiresAt });
  });
}

/** Ends a session. */
export async function signOut({ models }: Database, sessionToken: string, now: Date): Promise<void> {
  const session = await models.Session.findOne({
    where: { tokenHash: tokenHash(sessionToken), endedAt: null },
  });
  if (!session) return;
  await session.update({ endedAt: now });
  await doorEvent(models, 'signed out', { personId: session.personId, deviceId: session.deviceId, at: now });
}
