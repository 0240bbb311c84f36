import { database } from '../../../../../server/db/connection.ts';
import { loadJob } from '../../../../../server/job/load-job.ts';
import { customerSheet } from '../../../../../server/printing/customer-sheet.ts';
import { sizeAsked } from '../../../../../server/printing/paper.ts';
import { pdfAnswer } from '../../../../_lib/file-answer.ts';
import { currentActor } from '../../../../_lib/session.ts';

/** The customer's sheet of a job, as PDF. */
export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ number: string }> },
): Promise<Response> {
  if (!(await currentActor())) return new Response('Sign in first.', { status: 401 });
  const { number } = await params;
  const job = /^\d{1,9}$/.test(number) ? await loadJob(database(), Number(number)) : null;
  if (!job) return new Response('There is no such job.', { status: 404 });
  return pdfAnswer(await customerSheet(job, sizeAsked(request)), `job-${job.number}.pdf`);
}
