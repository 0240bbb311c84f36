import { calendarFile } from '../../../../../core/messages/calendar.ts';
import { database } from '../../../../../server/db/connection.ts';
import { loadJob } from '../../../../../server/job/load-job.ts';
import { calendarAnswer } from '../../../../_lib/file-answer.ts';
import { currentActor } from '../../../../_lib/session.ts';

/** The end of what an instrument rests after, as a calendar file for the bench. */
export async function GET(
  _request: Request,
  { params }: { readonly params: Promise<{ number: string }> },
): Promise<Response> {
  if (!(await currentActor())) return new Response('Sign in first.', { status: 401 });
  const { number } = await params;
  const now = new Date();
  const job = /^\d{1,9}$/.test(number) ? await loadJob(database(), Number(number), now) : null;
  const wait = job?.waits[0];
  if (!job || !wait) return new Response('Nothing rests on this job.', { status: 404 });
  return calendarAnswer(
    calendarFile({
      uid: `rest-${job.number}-${wait.lineId}@rubrica.invalid`,
      summary: `${job.number}: ${wait.title} has rested`,
      description: `${job.instrument.name}, ${job.place ?? 'no place'}`,
      where: job.shop.name,
      at: wait.until,
      minutes: 15,
      stamp: now.getTime(),
    }),
    `job-${job.number}-rest.ics`,
  );
}
