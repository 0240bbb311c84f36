import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { BOOK_FILES } from '../../../../server/exchange/export-book.ts';
import { doorEvent } from '../../../../server/people/door-event.ts';
import { currentActor } from '../../../_lib/request-actor.ts';
import type { At } from '../../../_lib/address.ts';

/** The book as a file: customers as vCard or CSV, instruments as CSV. */
export async function GET(request: Request, { params }: At<'file'>): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  if (!may(actor.role, 'house')) return new Response('A lead or the owner takes this out.', { status: 403 });
  const { file } = params;
  const found = Object.hasOwn(BOOK_FILES, file) ? BOOK_FILES[file] : undefined;
  if (!found) return new Response('There is no such file.', { status: 404 });
  const db = database();
  const kind = file.startsWith('customers') ? 'customers taken out' : 'instruments taken out';
  await doorEvent(db.models, kind, { ...actor, at: new Date() });
  return new Response(await found.make(db), {
    headers: { 'Content-Type': found.type, 'Content-Disposition': `attachment; filename="${file}"` },
  });
}
