import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { may, type Permission } from '../../core/people/roles.ts';
import { database } from '../../server/db/connection.ts';
import { logPosition } from '../../server/live/feed.ts';
import { actorFor, DEVICE_COOKIE, SESSION_COOKIE } from '../../server/people/who.ts';
import { whyNotServed } from './reached.ts';
import type { Actor } from '../../server/use-case/use-case.ts';

const actorOf = cache(async (acts: boolean): Promise<Actor | null> => {
  if (whyNotServed(await headers()) !== null) return null;
  const jar = await cookies();
  const [session, device] = [jar.get(SESSION_COOKIE)?.value, jar.get(DEVICE_COOKIE)?.value];
  return actorFor(database(), session, device, new Date(), acts);
});

/** Who asks, or null when nobody is signed in on this device. */
export const currentActor = (): Promise<Actor | null> => actorOf(false);

/** Who does something now: their session is in use. A page and its frame ask once. */
export const actingActor = (): Promise<Actor | null> => actorOf(true);

/** A way to ask later, without a request, whether who asks now is still signed in. */
export async function actorNow(): Promise<() => Promise<Actor | null>> {
  const jar = await cookies();
  const [session, device] = [jar.get(SESSION_COOKIE)?.value, jar.get(DEVICE_COOKIE)?.value];
  return () => actorFor(database(), session, device, new Date());
}

/** How far the event log went before anything of this page was loaded: what happens from then on, its screen is told. */
export const madeFrom = cache(() => logPosition(database()));

/** Who asks; sends to the sign-in page and back again when nobody is signed in. */
export async function requireActor(permission: Permission = 'see'): Promise<Actor> {
  const [actor] = await Promise.all([actingActor(), madeFrom()]);
  if (!actor) {
    // A page looked at again does not say its path; the tablet knows it and comes back to it.
    const path = (await headers()).get('x-path');
    redirect(path === null ? '/sign-in' : `/sign-in?next=${encodeURIComponent(path)}`);
  }
  if (!may(actor.role, permission)) redirect('/no-permission');
  return actor;
}
