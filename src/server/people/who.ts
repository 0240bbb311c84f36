import { QueryTypes } from 'sequelize';
import type { Database } from '../db/connection.ts';
import type { Actor } from '../use-case/use-case.ts';
import { tokenHash } from './tokens.ts';

/** Names of the two cookies. */
export const DEVICE_COOKIE = 'rubrica_device';
export const SESSION_COOKIE = 'rubrica_session';

/** Who a session token belongs to, if the session, its person and its device still stand. The device must be the same. */
export async function actorFor(
  { sequelize }: Pick<Database, 'sequelize'>,
  sessionToken: string | undefined,
  deviceToken: string | undefined,
  now: Date,
): Promise<Actor | null> {
  if (!sessionToken || !deviceToken) return null;
  const [actor] = await sequelize.query<Actor>(
    `SELECT p.id AS personId, d.id AS deviceId, p.name, p.initials, p.role
     FROM sessions s JOIN people p ON p.id = s.person_id JOIN devices d ON d.id = s.device_id
     WHERE s.token_hash = ? AND s.ended_at IS NULL AND s.expires_at > ? AND p.active
       AND d.revoked_at IS NULL AND d.token_hash = ?`,
    { type: QueryTypes.SELECT, replacements: [tokenHash(sessionToken), now, tokenHash(deviceToken)] },
  );
  return actor ?? null;
}

/** Notes that a tablet has a screen open, and for whom. */
export async function seeDevice(
  { models }: Pick<Database, 'models'>,
  { deviceId, personId }: Pick<Actor, 'deviceId' | 'personId'>,
  now: Date,
): Promise<void> {
  await models.Device.update({ seenAt: now, seenBy: personId }, { where: { id: deviceId } });
}

/** The people to choose from on a paired device; null when the device is not paired. */
export async function peopleOn({ models }: Database, deviceToken: string | undefined) {
  if (!deviceToken) return null;
  const device = await models.Device.findOne({
    where: { tokenHash: tokenHash(deviceToken), revokedAt: null },
  });
  if (!device) return null;
  const people = await models.Person.findAll({ where: { active: true }, order: [['name', 'ASC']] });
  return people.map((p) => ({ id: p.id, name: p.name, initials: p.initials, role: p.role }));
}
