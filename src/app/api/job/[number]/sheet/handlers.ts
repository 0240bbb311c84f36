import { database } from '../../../../../server/db/connection.ts';
import { loadHead } from '../../../../../server/printing/load-head.ts';
import { customerSheet } from '../../../../../server/printing/customer-sheet.ts';
import { sizeAsked } from '../../../../../server/printing/paper.ts';
import { pdfAnswer } from '../../../../_lib/file-answer.ts';
import { jobAsked } from '../../../../_lib/job-asked.ts';
import type { At } from '../../../../_lib/address.ts';

/** The customer's sheet of a job, as PDF. */
export async function GET(request: Request, { params }: At<'number'>): Promise<Response> {
  const job = await jobAsked(request, params);
  if (job instanceof Response) return job;
  return pdfAnswer(
    await customerSheet(job, sizeAsked(request, job.shop.paper), await loadHead(database())),
    `job-${job.number}.pdf`,
  );
}
