import { sayDate, sayMoment } from '../../core/days/say-days.ts';
import { sayReading } from '../../core/hand-over/customer-sheet.ts';
import { sheetDrawing } from '../../core/hand-over/sheet-drawing.ts';
import { formatMoney } from '../../core/money/currency.ts';
import { sayBill } from '../../core/money/say-bill.ts';
import { PAYMENT_KINDS } from '../../core/money/payments.ts';
import type { JobView } from '../leaves/load-job.ts';
import { dayOn } from './day-on.ts';
import { drawAt } from './draw-shapes.ts';
import { footer, letterhead, PLAIN_HEAD } from './letterhead.ts';
import { Paper, TONES, type PaperSize } from './paper.ts';

const SIGNATURE_WIDTH = 600;
const DRAWN_WIDTH = 240;
const DRAWN_HEIGHT = 76;

function readings(paper: Paper, job: JobView): void {
  const sheet = job.sheet.content;
  paper.heading('Before and after');
  paper.list(sheet.change);
  const drawing = sheetDrawing({ ...job.instrument.construction, readings: sheet.readings });
  if (drawing) {
    paper.need(140);
    paper.figure(`${drawing.title}. ${sheet.change.join(' ')}`, () => {
      const { y } = paper.pdf;
      paper.pdf.y = y + drawAt(paper.pdf, drawing, paper.left, y, paper.width) + 6;
      paper.pdf.x = paper.left;
    });
  }
  paper.table(
    [
      ['Reading', 'as found', 'as left'],
      ...sheet.readings.map((r) => [
        r.label,
        sayReading(r.before, r.quantity),
        sayReading(r.after, r.quantity),
      ]),
    ],
    [0.4, 0.3, 0.3],
  );
}

function work(paper: Paper, job: JobView): void {
  const { done, todo = [], left, price, currency } = job.sheet.content;
  const money = (amount: number) => formatMoney(amount, currency);
  const table = (lines: typeof done): void =>
    paper.table(
      [['', ''], ...lines.map((d) => [`${d.title}${d.detail ? `: ${d.detail}` : ''}`, money(d.price)])],
      [0.82, 0.18],
      'right',
    );
  paper.heading('What was done');
  if (done.length === 0) paper.text(todo.length > 0 ? 'Nothing yet.' : 'Nothing was done.');
  else table(done);
  if (todo.length > 0) {
    paper.heading('Agreed, and still to be done');
    table(todo);
  }
  if (left.length > 0) {
    paper.heading('Left as it is');
    paper.list(left);
  }
  paper.heading('Price');
  paper.text(
    `${sayBill(price, price.reason, currency)}. To pay: ${money(price.toPay)}. Estimated before it was open: ${money(price.estimate)}.`,
  );
  const { all, open } = job.handOver.payments;
  const said = all.filter((p) => p.back === null);
  if (said.length > 0)
    paper.text(
      `${said.map((p) => `${PAYMENT_KINDS[p.kind]} ${money(p.amount)}, ${p.how}, ${dayOn(job, p.at)}`).join('; ')}. ${open > 0 ? `Still open: ${money(open)}.` : open < 0 ? `To give back: ${money(-open)}.` : 'All is paid.'}`,
    );
}

function strokes(paper: Paper, json: string): void {
  const drawn = JSON.parse(json) as { x: number; y: number }[][];
  const scale = DRAWN_WIDTH / SIGNATURE_WIDTH;
  paper.need(DRAWN_HEIGHT + 40);
  const top = paper.pdf.y + 8;
  paper.figure('The signature, as it was drawn', () => {
    for (const stroke of drawn) {
      stroke.forEach((p, i) => {
        const [x, y] = [paper.left + p.x * scale, top + p.y * scale];
        if (i === 0) paper.pdf.moveTo(x, y);
        else paper.pdf.lineTo(x, y);
      });
      paper.pdf.lineWidth(1.2).lineCap('round').strokeColor(TONES.ink).stroke();
    }
  });
  paper.pdf.y = top + DRAWN_HEIGHT;
}

function signature(paper: Paper, job: JobView): void {
  const { handOver, seal } = job;
  const sheet = job.sheet.content;
  paper.heading('Given back and signed');
  if (sheet.things.length > 0) paper.text(`Given back: ${sheet.things.join(', ')}.`);
  if (sheet.checked.length > 0)
    paper.text(
      `Checked at the bench by ${handOver.checkedBy}${handOver.second.by ? `, and again by ${handOver.second.by}` : ''}: ${sheet.checked.join('; ')}.`,
    );
  if (sheet.exception) paper.text(`Explained: ${sheet.exception}`);
  for (const e of job.earlier)
    paper.text(
      `Signed before by ${e.signer}, ${dayOn(job, e.signedAt)}; then asked for: ${e.tweak}${e.free ? ' (without a charge)' : ''}. SHA-256 ${e.digest}`,
      { size: 8, tone: 'quiet' },
    );
  if (handOver.signature) strokes(paper, handOver.signature);
  paper.text(
    handOver.signedAt
      ? `${handOver.signer}, ${sayMoment(Date.parse(handOver.signedAt), job.shop.zone, job.shop.dates)}`
      : 'Not signed yet.',
    { tone: 'ink' },
  );
  if (handOver.signedAt)
    paper.text(`What was signed: SHA-256 ${job.sheet.digest}`, { size: 8, tone: 'quiet' });
  if (seal.kind === 'whole') paper.text(`Sealed. SHA-256 ${seal.digest}`, { size: 8, tone: 'seal' });
  if (seal.kind === 'whole' && seal.withdrawn)
    paper.text(
      `Withdrawn since, ${dayOn(job, seal.withdrawn.at)}: ${seal.withdrawn.what.join(', ')}. What is left is as it was signed.`,
      { size: 8, tone: 'quiet' },
    );
  if (seal.kind === 'broken')
    paper.text(`CHANGED SINCE IT WAS SIGNED: ${seal.changed.join(', ')}. SHA-256 ${seal.digest}`, {
      size: 8,
      tone: 'red',
    });
}

/** The customer's sheet as PDF: what they said, what was found and done, before and after, what they signed. */
export function customerSheet(job: JobView, size: PaperSize = 'A4', head = PLAIN_HEAD): Promise<Buffer> {
  const sheet = job.sheet.content;
  const paper = new Paper(`Job ${job.number}`, size);
  // What was sealed keeps the name it was sealed with.
  letterhead(paper, { ...job.shop, name: sheet.shop }, head);
  paper.title(
    `${sheet.instrument}, job ${sheet.job}`,
    `${sheet.customer} · serial ${sheet.serial || 'none'} · taken in ${sayDate(sheet.takenIn, job.shop.dates)}`,
  );
  paper.heading('In your words');
  paper.text(sheet.complaint, { tone: 'ink' });
  if (sheet.wish !== '') paper.text(`Your wish: ${sheet.wish}`, { tone: 'ink' });
  if (sheet.found.length > 0) {
    paper.heading('What we found');
    paper.list(sheet.found);
  }
  if (sheet.end) paper.text(sheet.end, { tone: 'ink' });
  work(paper, job);
  if (sheet.notLookedAt) {
    paper.heading('Not looked at');
    paper.list(sheet.notLookedAt);
  }
  if (sheet.accidents.length > 0) {
    paper.heading('What went wrong, and what we did about it');
    paper.list(sheet.accidents.map((a) => `${a.happened} ${a.remedy}`));
  }
  readings(paper, job);
  if (sheet.advice.length > 0) {
    paper.heading('Advice');
    paper.list(sheet.advice);
  }
  if (sheet.nextCheck)
    paper.text(`We look at it again, without charge, on ${sayDate(sheet.nextCheck, job.shop.dates)}.`);
  signature(paper, job);
  footer(paper, job.shop);
  return paper.end();
}
