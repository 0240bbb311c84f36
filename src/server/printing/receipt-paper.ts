import { sayDate } from '../../core/days/say-days.ts';
import { limitOnReceipt } from '../../core/money/limit-on-receipt.ts';
import { dayOn } from './day-on.ts';
import QRCode from 'qrcode';
import { VIEW_NAMES } from '../../core/instrument/outline.ts';
import { STRINGS_STATES } from '../../core/readings/conditions.ts';
import type { JobView } from '../leaves/load-job.ts';
import { footer, letterhead, PLAIN_HEAD } from './letterhead.ts';
import { Paper, TONES, type PaperSize } from './paper.ts';

/** The receipt as paper: what was left, in which state, and the initials. */
export function receiptPaper(job: JobView, size: PaperSize, head = PLAIN_HEAD): Promise<Buffer> {
  const { seen, given } = job.receipt;
  const paper = new Paper(`Receipt ${job.number}`, size);
  letterhead(paper, job.shop, head);
  paper.title(
    `Receipt ${job.number}`,
    `Left by ${job.customer.name} on ${dayOn(job, job.takenInAt)}, taken in by ${job.takenInBy}${job.neededBy ? `; wanted by ${sayDate(job.neededBy, job.shop.dates)}` : ''}`,
  );
  paper.text(
    `${job.instrument.name}, ${job.instrument.kindName.toLowerCase()}${job.instrument.year ? `, ${job.instrument.year}` : ''}; serial ${job.instrument.serial || 'not read'}; strings: ${seen.strings}.`,
  );
  paper.text(`In the customer’s words: ${job.complaint}`, { tone: 'ink' });
  if (job.wish !== '') paper.text(job.wish, { tone: 'ink' });
  if (job.limit !== null) paper.text(limitOnReceipt(job.limit, job.shop.currency));
  paper.heading('What came with it');
  if (seen.things.length === 0) paper.text('Nothing but the instrument.');
  paper.list(seen.things.map((t) => `${t.name}${t.state ? `: ${t.state}` : ''}`));
  paper.heading('Damage already there');
  paper.text(seen.damage || (job.marks.length === 0 ? 'None noted.' : ''));
  paper.list(job.marks.map((m) => `${m.number}, ${VIEW_NAMES[m.view]}: ${m.words || 'marked'}`));
  paper.heading(given ? `Seen by ${given.name}, ${dayOn(job, given.at)}` : 'Seen (initials)');
  paper.pdf.y += 40;
  paper.rule();
  footer(paper, job.shop);
  return paper.end();
}

const MM = 72 / 25.4;
const TAG = { width: 90, height: 44, code: 34 } as const;

/** The tag as paper, at its true size in the corner of the sheet: number, whose, what, and the code that opens the job. */
export function tagPaper(job: JobView, size: PaperSize, address: string): Promise<Buffer> {
  const paper = new Paper(`Tag ${job.number}`, size);
  const { pdf } = paper;
  const code = QRCode.create(address, { errorCorrectionLevel: 'M' });
  const cell = (TAG.code * MM) / (code.modules.size + 8);
  const [x, y] = [paper.left, pdf.y];
  paper.drawn(() => {
    pdf
      .lineWidth(0.5)
      .strokeColor(TONES.plain)
      .rect(x, y, TAG.width * MM, TAG.height * MM)
      .stroke();
  });
  paper.figure(`Code that opens job ${job.number}`, () => {
    pdf.fillColor('#000');
    code.modules.data.forEach((dark, i) => {
      const [col, row] = [i % code.modules.size, Math.floor(i / code.modules.size)];
      if (dark === 1) pdf.rect(x + 5 * MM + (col + 4) * cell, y + 5 * MM + (row + 4) * cell, cell, cell);
    });
    pdf.fill();
  });
  pdf.x = x + (TAG.code + 8) * MM;
  const beside = pdf.x;
  const lines = [
    job.customer.name,
    job.instrument.name,
    job.instrument.serial,
    `${job.place ?? 'no place'}${job.neededBy ? ` · by ${sayDate(job.neededBy, job.shop.dates)}` : ''}`,
    job.stringsState === 'at-pitch' ? '' : `◆ ${STRINGS_STATES[job.stringsState]}`,
  ].filter((l) => l !== '');
  paper.beside(beside, y + 5 * MM, (TAG.width - TAG.code - 10) * MM, String(job.number), lines);
  return paper.end();
}
