import { Op } from 'sequelize';
import { fail, ok, type Result } from '../../core/result.ts';
import { refuse, type Failure } from '../../contracts/failure.ts';
import type { Database } from '../db/connection.ts';
import { doorEvent } from './door-event.ts';
import { newPairingCode, newToken, tokenHash } from './tokens.ts';

/** Makes a pairing code for `uses` tablets, good for `hours`. Only its hash is kept. */
export async function makePairingCode(
  { models }: Database,
  now: Date,
  uses = 1,
  hours = 12,
): Promise<string> {
  const code = newPairingCode();
  await models.PairingCode.create({
    codeHash: tokenHash(code),
    expiresAt: new Date(now.getTime() + hours * 3_600_000),
    usesLeft: uses,
  });
  return code;
}

/** Pairs a device with the shop: a code is used up, and the device's token comes back once. */
export async function pairDevice(
  db: Database,
  code: string,
  name: string,
  now: Date,
): Promise<Result<{ token: string }, Failure>> {
  return db.sequelize.transaction(async (t) => {
    const found = await db.models.PairingCode.findOne({
      where: {
        codeHash: tokenHash(code.trim().toUpperCase()),
        usesLeft: { [Op.gt]: 0 },
        expiresAt: { [Op.gt]: now },
      },
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if (!found)
      return fail(refuse('This code is not known, used up or too old. Make a new one with ./rubrica pair.'));
    await found.update({ usesLeft: found.usesLeft - 1 }, { transaction: t });
    const token = newToken();
    const device = await db.models.Device.create(
      { name, tokenHash: tokenHash(token), pairedAt: now },
      { transaction: t },
    );
    await doorEvent(db.models, 'tablet paired', { personId: null, deviceId: device.id, at: now, name }, t);
    return ok({ token });
  });
}
