import { checkEntry } from '../../../../../server/messages/compose.ts';
import { calendarAnswer } from '../../../../_lib/file-answer.ts';
import { jobAsked } from '../../../../_lib/job-asked.ts';
import type { At } from '../../../../_lib/address.ts';

/** The next check of a job as a calendar file for the shop. */
export async function GET(request: Request, { params }: At<'number'>): Promise<Response> {
  const now = new Date();
  const job = await jobAsked(request, params, now);
  if (job instanceof Response) return job;
  const day = job.sheet.content.nextCheck;
  if (!day) return new Response('No check is kept for this job.', { status: 404 });
  return calendarAnswer(
    checkEntry(job.shop.name, job.number, `${job.customer.name}, ${job.instrument.name}`, day, now.getTime()),
    `check-${job.number}.ics`,
  );
}
