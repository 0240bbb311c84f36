import { database } from '../../../../../server/db/connection.ts';
import { loadJob } from '../../../../../server/job/load-job.ts';
import { checkEntry } from '../../../../../server/messages/compose.ts';
import { calendarAnswer } from '../../../../_lib/file-answer.ts';
import { currentActor } from '../../../../_lib/session.ts';

/** The next check of a job as a calendar file for the shop. */
export async function GET(
  _request: Request,
  { params }: { readonly params: Promise<{ number: string }> },
): Promise<Response> {
  if (!(await currentActor())) return new Response('Sign in first.', { status: 401 });
  const { number } = await params;
  const now = new Date();
  const job = /^\d{1,9}$/.test(number) ? await loadJob(database(), Number(number), now) : null;
  const day = job?.sheet.content.nextCheck;
  if (!job || !day) return new Response('No check is kept for this job.', { status: 404 });
  return calendarAnswer(
    checkEntry(job.shop.name, job.number, `${job.customer.name}, ${job.instrument.name}`, day, now.getTime()),
    `check-${job.number}.ics`,
  );
}
