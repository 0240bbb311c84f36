import { may } from '../../../../../core/people/roles.ts';
import { database } from '../../../../../server/db/connection.ts';
import { customerFile } from '../../../../../server/privacy/load-customer.ts';
import { noteFileGiven } from '../../../../../server/privacy/note-file-given.ts';
import { currentActor } from '../../../../_lib/request-actor.ts';
import type { At } from '../../../../_lib/address.ts';

/** Everything that is kept of a customer, as JSON; that it was taken out stands in the log. */
export async function GET(request: Request, { params }: At<'id'>): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  if (!may(actor.role, 'house')) return new Response('A lead or the owner takes this out.', { status: 403 });
  const { id } = params;
  const db = database();
  const file = /^\d{1,9}$/.test(id) ? await customerFile(db, Number(id)) : null;
  if (!file) return new Response('There is no such customer.', { status: 404 });
  await noteFileGiven(db, actor, Number(id), new Date());
  return new Response(JSON.stringify(file, null, 1), {
    headers: {
      'Content-Type': 'application/json; charset=utf-8',
      'Content-Disposition': `attachment; filename="customer-${id}.json"`,
    },
  });
}
