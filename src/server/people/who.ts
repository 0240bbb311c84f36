import { Op } from 'sequelize';
import type { Database } from '../db/connection.ts';
import type { Actor } from '../use-case/use-case.ts';
import { tokenHash } from './tokens.ts';

/** Names of the two cookies. */
export const DEVICE_COOKIE = 'rubrica_device';
export const SESSION_COOKIE = 'rubrica_session';

/** Who a session token belongs to, if the session, its person and its device still stand. The device must be the same. */
export async function actorFor(
  { models }: Database,
  sessionToken: string | undefined,
  deviceToken: string | undefined,
  now: Date,
): Promise<Actor | null> {
  if (!sessionToken || !deviceToken) return null;
  const where = { tokenHash: tokenHash(sessionToken), endedAt: null, expiresAt: { [Op.gt]: now } };
  const session = await models.Session.findOne({ where });
  if (!session) return null;
  const [person, device] = await Promise.all([
    models.Person.findByPk(session.personId),
    models.Device.findByPk(session.deviceId),
  ]);
  if (!person?.active || !device || device.revokedAt !== null || device.tokenHash !== tokenHash(deviceToken))
    return null;
  return {
    personId: person.id,
    deviceId: device.id,
    name: person.name,
    initials: person.initials,
    role: person.role,
  };
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
