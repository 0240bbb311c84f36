import { parse } from 'hono/utils/cookie';
import { database } from '../../server/db/connection.ts';
import { actorFor, DEVICE_COOKIE, SESSION_COOKIE } from '../../server/people/who.ts';
import type { Actor } from '../../server/use-case/use-case.ts';
import { whyNotServed } from './reached.ts';

/** The device and the session that a request names, if it does. */
export function cookiesOf(headers: Headers): { readonly device?: string; readonly session?: string } {
  const { [DEVICE_COOKIE]: device, [SESSION_COOKIE]: session } = parse(headers.get('cookie') ?? '');
  return { ...(device !== undefined && { device }), ...(session !== undefined && { session }) };
}

/**
 * Who asks with these headers, or null when nobody is signed in on this device.
 * @param acts whether they do something now: their session is in use
 */
export async function actorOf(headers: Headers, acts = false): Promise<Actor | null> {
  if (whyNotServed(headers) !== null) return null;
  const { session, device } = cookiesOf(headers);
  return actorFor(database(), session, device, new Date(), acts);
}

/** Who asks, or null when nobody is signed in on this device. */
export const currentActor = (request: Request): Promise<Actor | null> => actorOf(request.headers);

/** Who does something now: their session is in use. */
export const actingActor = (request: Request): Promise<Actor | null> => actorOf(request.headers, true);

/** A way to ask later, without a request, whether who asks now is still signed in. */
export function actorNow(request: Request): () => Promise<Actor | null> {
  const { session, device } = cookiesOf(request.headers);
  return () => actorFor(database(), session, device, new Date());
}
