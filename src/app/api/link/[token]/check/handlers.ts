import { jobOfSheetLink } from '../../../../../server/customer/sheet-link.ts';
import { database } from '../../../../../server/db/connection.ts';
import { checkEntry } from '../../../../../server/messages/compose.ts';
import { calendarAnswer } from '../../../../_lib/file-answer.ts';
import type { At } from '../../../../_lib/address.ts';

/** The next check as a calendar file, by the sheet's link. */
export async function GET(_request: Request, { params }: At<'token'>): Promise<Response> {
  const { token } = params;
  const now = new Date();
  const job = await jobOfSheetLink(database(), token, now);
  const day = job?.sheet.content.nextCheck;
  if (!job || !day) return new Response('This link opens nothing.', { status: 404 });
  return calendarAnswer(
    checkEntry(job.shop.name, job.number, job.instrument.name, day, now.getTime()),
    `check-${job.number}.ics`,
  );
}
