import type { Database } from '../db/connection.ts';
import { give } from '../db/give.ts';
import type { Actor } from '../use-case/use-case.ts';
import { loadDoors } from './doors.ts';
import { tokenHash } from './tokens.ts';

/** Names of the two cookies. */
export const DEVICE_COOKIE = 'rubrica_device';
export const SESSION_COOKIE = 'rubrica_session';

/** A session that was used so short a while ago need not be noted again. */
const NOTED_EVERY_MS = 60_000;

interface SessionRow extends Actor {
  readonly sessionId: number;
  readonly usedAt: Date;
}

/** Whether a session that was not used for a while still stands; one that does is noted as used by whoever acts. */
async function stillStands(
  db: Pick<Database, 'sequelize' | 'models'>,
  { sessionId, usedAt }: SessionRow,
  acts: boolean,
  now: Date,
): Promise<boolean> {
  const idle = now.getTime() - usedAt.getTime();
  if (idle < NOTED_EVERY_MS) return true;
  const { doors } = await loadDoors(db);
  const over = doors.idleMinutes !== null && idle > doors.idleMinutes * 60_000;
  if (over) await db.models.Session.update({ endedAt: now }, { where: { id: sessionId, endedAt: null } });
  else if (acts) await db.models.Session.update({ usedAt: now }, { where: { id: sessionId } });
  return !over;
}

/**
 * Who a session token belongs to, if the session, its person and its device still stand. The device must be the same.
 * @param acts whether somebody does something now: a screen that only listens does not keep its session alive
 */
export async function actorFor(
  db: Pick<Database, 'sequelize' | 'models'>,
  sessionToken: string | undefined,
  deviceToken: string | undefined,
  now: Date,
  acts = false,
): Promise<Actor | null> {
  if (!sessionToken || !deviceToken) return null;
  const [found] = await give<readonly SessionRow[]>(
    db.sequelize,
    `SELECT p.id AS personId, d.id AS deviceId, p.name, p.initials, p.role, s.id AS sessionId,
       COALESCE(s.used_at, s.created_at) AS usedAt
     FROM sessions s JOIN people p ON p.id = s.person_id JOIN devices d ON d.id = s.device_id
     WHERE s.token_hash = :session AND s.ended_at IS NULL AND s.expires_at > :now AND p.active
       AND d.revoked_at IS NULL AND d.token_hash = :device`,
    { session: tokenHash(sessionToken), now, device: tokenHash(deviceToken) },
  );
  if (!found || !(await stillStands(db, found, acts, now))) return null;
  const { personId, deviceId, name, initials, role } = found;
  return { personId, deviceId, name, initials, role };
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
