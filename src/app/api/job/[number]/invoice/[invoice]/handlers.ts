import { database } from '../../../../../../server/db/connection.ts';
import { invoicePaper } from '../../../../../../server/printing/invoice-paper.ts';
import { loadHead } from '../../../../../../server/printing/load-head.ts';
import { sizeAsked } from '../../../../../../server/printing/paper.ts';
import { pdfAnswer } from '../../../../../_lib/file-answer.ts';
import { jobAsked } from '../../../../../_lib/job-asked.ts';
import type { At } from '../../../../../_lib/address.ts';

/** An invoice of a job as PDF, as it was when it was made; `?size=letter` for Letter. */
export async function GET(request: Request, { params }: At<'number' | 'invoice'>): Promise<Response> {
  const job = await jobAsked(request, params);
  if (job instanceof Response) return job;
  const { invoice } = params;
  const row = /^\d{1,9}$/.test(invoice)
    ? await database().models.InvoiceRow.findOne({ where: { number: Number(invoice), jobId: job.id } })
    : null;
  if (!row) return new Response('There is no such invoice.', { status: 404 });
  const pdf = await invoicePaper(
    row,
    row.content,
    sizeAsked(request, job.shop.paper),
    await loadHead(database()),
    job.shop.dates,
  );
  return pdfAnswer(pdf, `invoice-${row.number}.pdf`);
}
