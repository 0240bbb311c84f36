import { calendarFile } from '../../../../../core/messages/calendar.ts';
import { calendarAnswer } from '../../../../_lib/file-answer.ts';
import { loadLeaf } from '../../../../../server/leaves/load-leaf.ts';
import { jobAsked } from '../../../../_lib/job-asked.ts';
import type { At } from '../../../../_lib/address.ts';

/** The end of what an instrument rests after, as a calendar file for the bench. */
export async function GET(request: Request, { params }: At<'number'>): Promise<Response> {
  const now = new Date();
  const job = await jobAsked(request, params, now, (db, number) => loadLeaf(db, number, 'readings'));
  if (job instanceof Response) return job;
  const wait = job.waits[0];
  if (!wait) return new Response('Nothing rests on this job.', { status: 404 });
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
