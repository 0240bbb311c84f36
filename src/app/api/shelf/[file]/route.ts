import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { BOOK_FILES } from '../../../../server/exchange/export-book.ts';
import { currentActor } from '../../../_lib/session.ts';

/** The book as a file: customers as vCard or CSV, instruments as CSV. */
export async function GET(
  _request: Request,
  { params }: { readonly params: Promise<{ file: string }> },
): Promise<Response> {
  const actor = await currentActor();
  if (!actor) return new Response('Sign in first.', { status: 401 });
  if (!may(actor.role, 'take-in')) return new Response('You may not do this.', { status: 403 });
  const { file } = await params;
  const found = Object.hasOwn(BOOK_FILES, file) ? BOOK_FILES[file] : undefined;
  if (!found) return new Response('There is no such file.', { status: 404 });
  return new Response(await found.make(database()), {
    headers: { 'Content-Type': found.type, 'Content-Disposition': `attachment; filename="${file}"` },
  });
}
