import { database } from '../../../../../server/db/connection.ts';
import { exportJob } from '../../../../../server/exchange/export-job.ts';
import { doorEvent } from '../../../../../server/people/door-event.ts';
import { currentActor } from '../../../../_lib/request-actor.ts';
import type { At } from '../../../../_lib/address.ts';

/** A whole job with its photos as a zip. */
export async function GET(request: Request, { params }: At<'number'>): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor) return new Response('Sign in first.', { status: 401 });
  const { number } = params;
  const zip = /^\d{1,9}$/.test(number) ? await exportJob(database(), Number(number)) : null;
  if (!zip) return new Response('There is no such job.', { status: 404 });
  await doorEvent(database().models, 'job taken out', { ...actor, at: new Date(), name: number });
  return new Response(new Uint8Array(zip), {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Disposition': `attachment; filename="job-${number}.zip"`,
    },
  });
}
