import { photoByLink } from '../../../../../../server/customer/estimate.ts';
import { database } from '../../../../../../server/db/connection.ts';
import { photoAnswer } from '../../../../../_lib/photo-answer.ts';
import type { At } from '../../../../../_lib/address.ts';

/** A photo for whoever holds a customer's link that shows it. */
export async function GET(request: Request, { params }: At<'token' | 'id'>): Promise<Response> {
  const { token, id } = params;
  const may = /^\d{1,9}$/.test(id) && (await photoByLink(database(), token, Number(id), new Date()));
  return may ? photoAnswer(request, id) : new Response('There is no such photo.', { status: 404 });
}
