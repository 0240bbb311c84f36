import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { may, type Permission } from '../../core/people/roles.ts';
import { database } from '../../server/db/connection.ts';
import { actorFor, DEVICE_COOKIE, SESSION_COOKIE } from '../../server/people/who.ts';
import type { Actor } from '../../server/use-case/use-case.ts';

/** Who asks, or null when nobody is signed in on this device. */
export async function currentActor(): Promise<Actor | null> {
  const jar = await cookies();
  return actorFor(database(), jar.get(SESSION_COOKIE)?.value, jar.get(DEVICE_COOKIE)?.value, new Date());
}

/** Who asks; sends to the sign-in page and back again when nobody is signed in. */
export async function requireActor(permission: Permission = 'see'): Promise<Actor> {
  const actor = await currentActor();
  if (!actor) {
    const path = (await headers()).get('x-path') ?? '/rack';
    redirect(`/sign-in?next=${encodeURIComponent(path)}`);
  }
  if (!may(actor.role, permission)) redirect('/no-permission');
  return actor;
}
