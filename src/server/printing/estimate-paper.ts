import { formatMoney } from '../../core/money/currency.ts';
import { sayBill } from '../../core/money/say-bill.ts';
import { total, totalRange } from '../../core/money/money.ts';
import type { JobView } from '../leaves/load-job.ts';
import { footer, letterhead, PLAIN_HEAD } from './letterhead.ts';
import { Paper, type PaperSize } from './paper.ts';

/** The estimate as paper: every line with what was found, its range, and a place to say yes or no. */
export function estimatePaper(job: JobView, size: PaperSize, head = PLAIN_HEAD): Promise<Buffer> {
  const paper = new Paper(`Estimate ${job.number}`, size);
  const money = (amount: number) => formatMoney(amount, job.shop.currency);
  const lines = job.lines.filter((l) => l.approval !== 'no');
  letterhead(paper, job.shop, head);
  paper.title(`Estimate for ${job.instrument.name}, job ${job.number}`, job.customer.name);
  paper.heading('In your words');
  paper.text(job.complaint, { tone: 'ink' });
  paper.heading('What we would do');
  paper.table(
    [
      ['', 'Price', 'Your word'],
      ...lines.map((l) => [
        `${l.says}${l.found ? ` Found while inside: ${l.found}` : l.saysDetail ? ` ${l.saysDetail}` : ''}`,
        money(l.price + l.parts),
        l.approval === 'yes' ? 'yes' : '[  ] yes  [  ] no',
      ]),
    ],
    [0.6, 0.17, 0.23],
  );
  const sum = total(lines, job.shop.tax, job.discount);
  const range = totalRange(
    lines.map((l) => ({ ...l, settled: l.step === 'finished' })),
    job.shop.tax,
    job.discount,
  );
  paper.heading('Price');
  paper.text(`${sayBill(sum, job.discount.reason, job.shop.currency)}. Together ${money(sum.toPay)}.`);
  if (range.low !== range.high)
    paper.text(`As the work turns out: ${money(range.low)} to ${money(range.high)}.`);
  paper.text(
    job.limit === null
      ? 'Nothing is done before you say yes to it.'
      : `You named a limit of ${money(job.limit)}: above it we ask first, always.`,
  );
  paper.text(job.cleaning);
  paper.heading('Your name, and the day');
  paper.pdf.y += 30;
  paper.rule();
  footer(paper, job.shop);
  return paper.end();
}
