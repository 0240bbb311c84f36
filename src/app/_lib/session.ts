import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { may, type Permission } from '../../core/people/roles.ts';
import type { Actor } from '../../server/use-case/use-case.ts';
import { madeFrom } from './made-from.ts';
import { actorOf } from './request-actor.ts';
import { shopDays } from './shop-days.ts';

/** Who asks for a page, or null when nobody is signed in on this device: their session is in use. A page and its frame ask once. */
const actingActor = cache(async (): Promise<Actor | null> => actorOf(await headers(), true));

/** Who asks; sends to the sign-in page and back again when nobody is signed in. */
export async function requireActor(permission: Permission = 'see'): Promise<Actor> {
  const [actor] = await Promise.all([actingActor(), madeFrom(), shopDays()]);
  if (!actor) {
    // A page looked at again does not say its path; the tablet knows it and comes back to it.
    const path = (await headers()).get('x-path');
    redirect(path === null ? '/sign-in' : `/sign-in?next=${encodeURIComponent(path)}`);
  }
  if (!may(actor.role, permission)) redirect('/no-permission');
  return actor;
}
