import { database } from '../../../../../server/db/connection.ts';
import { loadJob } from '../../../../../server/job/load-job.ts';
import { customerSheet } from '../../../../../server/printing/customer-sheet.ts';
import { currentActor } from '../../../../_lib/session.ts';

/** The customer's sheet of a job, as PDF. */
export async function GET(
  _request: Request,
  { params }: { readonly params: Promise<{ number: string }> },
): Promise<Response> {
  if (!(await currentActor())) return new Response('Sign in first.', { status: 401 });
  const { number } = await params;
  const db = database();
  const job = /^\d{1,9}$/.test(number) ? await loadJob(db, Number(number)) : null;
  if (!job) return new Response('There is no such job.', { status: 404 });
  const pdf = await customerSheet(job);
  return new Response(new Uint8Array(pdf), {
    headers: {
      'Content-Type': 'application/pdf',
      'Content-Disposition': `inline; filename="job-${job.number}.pdf"`,
    },
  });
}
