import { createHash, randomBytes } from 'node:crypto';
import type { Database } from '../src/server/db/connection.ts';
import { DEVICE_COOKIE, SESSION_COOKIE } from '../src/server/people/who.ts';

const newToken = (): string => randomBytes(32).toString('base64url');
const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');
const SESSION_MS = 12 * 3_600_000;

/** The cookies of a paired device of somebody’s own, signed in: the doors themselves are tried in `doors.spec.ts`. */
export async function signedIn(
  db: Database,
  personId: number,
  name: string,
): Promise<readonly { readonly name: string; readonly value: string }[]> {
  const [device, session] = [newToken(), newToken()];
  const now = new Date();
  const { id: deviceId } = await db.models.Device.create({
    name,
    tokenHash: tokenHash(device),
    pairedAt: now,
  });
  await db.models.Session.create({
    tokenHash: tokenHash(session),
    personId,
    deviceId,
    createdAt: now,
    expiresAt: new Date(now.getTime() + SESSION_MS),
  });
  return [
    { name: DEVICE_COOKIE, value: device },
    { name: SESSION_COOKIE, value: session },
  ];
}
