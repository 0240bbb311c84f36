import { database } from '../../../../../server/db/connection.ts';
import { exportJob } from '../../../../../server/exchange/export-job.ts';
import { doorEvent } from '../../../../../server/people/door-event.ts';
import { currentActor } from '../../../../_lib/session.ts';

/** A whole job with its photos as a zip. */
export async function GET(
  _request: Request,
  { params }: { readonly params: Promise<{ number: string }> },
): Promise<Response> {
  const actor = await currentActor();
  if (!actor) return new Response('Sign in first.', { status: 401 });
  const { number } = await params;
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
