import { may } from '../../../core/people/roles.ts';
import { database } from '../../../server/db/connection.ts';
import { findCustomers } from '../../../server/desk/find.ts';
import { currentActor } from '../../_lib/request-actor.ts';

/** Customers and their instruments by a piece of a name, phone or serial. */
export async function GET(request: Request): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor || !may(actor.role, 'see')) return Response.json([], { status: 401 });
  return Response.json(await findCustomers(database(), new URL(request.url).searchParams.get('q') ?? ''));
}
