import { jobOfSheetLink } from '../../../../../server/customer/sheet-link.ts';
import { database } from '../../../../../server/db/connection.ts';
import { loadHead } from '../../../../../server/printing/load-head.ts';
import { sizeAsked } from '../../../../../server/printing/paper.ts';
import { customerSheet } from '../../../../../server/printing/customer-sheet.ts';
import { pdfAnswer } from '../../../../_lib/file-answer.ts';
import type { At } from '../../../../_lib/address.ts';

/** The customer's sheet as PDF, by the sheet's link. */
export async function GET(request: Request, { params }: At<'token'>): Promise<Response> {
  const { token } = params;
  const job = await jobOfSheetLink(database(), token, new Date());
  if (!job) return new Response('This link opens nothing.', { status: 404 });
  return pdfAnswer(
    await customerSheet(job, sizeAsked(request, job.shop.paper), await loadHead(database())),
    `job-${job.number}.pdf`,
  );
}
