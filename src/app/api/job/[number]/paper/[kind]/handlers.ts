import type { JobView } from '../../../../../../server/leaves/load-job.ts';
import { benchSheet } from '../../../../../../server/printing/bench-sheet.ts';
import { customerSheet } from '../../../../../../server/printing/customer-sheet.ts';
import { estimatePaper } from '../../../../../../server/printing/estimate-paper.ts';
import { database } from '../../../../../../server/db/connection.ts';
import type { PaperHead } from '../../../../../../server/printing/letterhead.ts';
import { loadHead } from '../../../../../../server/printing/load-head.ts';
import { sizeAsked, type PaperSize } from '../../../../../../server/printing/paper.ts';
import { receiptPaper, tagPaper } from '../../../../../../server/printing/receipt-paper.ts';
import { pdfAnswer } from '../../../../../_lib/file-answer.ts';
import { originOf } from '../../../../../_lib/reached.ts';
import { jobAsked } from '../../../../../_lib/job-asked.ts';
import { DISPLAY_UNITS, type DisplayUnit } from '../../../../../../core/units/length-units.ts';
import type { At } from '../../../../../_lib/address.ts';

type Make = (
  job: JobView,
  size: PaperSize,
  head: PaperHead,
  address: string,
  unit: DisplayUnit,
) => Promise<Buffer>;

const PAPERS: Readonly<Record<string, Make>> = {
  bench: (job, size, _head, _address, unit) => benchSheet(job, size, unit),
  estimate: estimatePaper,
  receipt: receiptPaper,
  sheet: customerSheet,
  tag: (job, size, _head, address) => tagPaper(job, size, `${address}/job/${job.number}`),
};

/** The unit a request asks for, as `?unit=mm`; else the shop’s. */
function unitAsked(request: Request, usual: DisplayUnit): DisplayUnit {
  const asked = new URL(request.url).searchParams.get('unit');
  return DISPLAY_UNITS.find((u) => u === asked) ?? usual;
}

/**
 * A paper of a job as PDF: tag, receipt, bench sheet, estimate, customer's sheet; `?size=letter` for Letter, `?unit=mm` for a
 * bench sheet in millimetres.
 */
export async function GET(request: Request, { params }: At<'number' | 'kind'>): Promise<Response> {
  const job = await jobAsked(request, params);
  if (job instanceof Response) return job;
  const { kind } = params;
  const make = Object.hasOwn(PAPERS, kind) ? PAPERS[kind] : undefined;
  if (!make) return new Response('There is no such paper.', { status: 404 });
  return pdfAnswer(
    await make(
      job,
      sizeAsked(request, job.shop.paper),
      await loadHead(database()),
      originOf(request.headers),
      unitAsked(request, job.shop.heights),
    ),
    `${kind}-${job.number}.pdf`,
  );
}
