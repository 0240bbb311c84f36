import PDFDocument from 'pdfkit';
import { formatMoney, total } from '../../core/money/money.ts';
import { BENCH_CHECKS } from '../../core/job/bench-check.ts';
import { formatLength } from '../../core/units/format-length.ts';
import { formatCents } from '../../core/units/parse-cents.ts';
import type { JobView } from '../job/load-job.ts';
import { fontFile } from './fonts.ts';

const INK = '#1b3a73';
const QUIET = '#665d4f';
const SEAL = '#1d6b3a';
const RUBRIC = '#ab1717';
const MARGIN = 54;
const SIGNATURE_WIDTH = 600;

type Pdf = InstanceType<typeof PDFDocument>;

function begin(job: JobView): Pdf {
  const pdf = new PDFDocument({
    size: 'A4',
    margin: MARGIN,
    info: { Title: `Job ${job.number}`, Creator: 'Rubrica' },
  });
  pdf.registerFont('serif', fontFile('serif'));
  pdf.registerFont('sans', fontFile('sans'));
  return pdf;
}

const heading = (pdf: Pdf, text: string) =>
  pdf
    .moveDown(0.7)
    .font('serif')
    .fontSize(13)
    .fillColor('black')
    .text(text, MARGIN)
    .moveDown(0.2)
    .font('sans')
    .fontSize(10);

const plain = (value: number, quantity: string): string =>
  quantity === 'intonation'
    ? `${formatCents(value)} cents`
    : `${formatLength(value, 'mm')} (${formatLength(value, quantity === 'action' ? '64ths' : 'thou')})`;

function readings(pdf: Pdf, job: JobView): void {
  heading(pdf, 'Readings, before and after');
  const cell = (key: string, quantity: string, round: string) => {
    const r = job.readings.readings.find((x) => x.key === key && x.round === round);
    return r ? plain(r.value, quantity) : '–';
  };
  const head = pdf.y;
  pdf
    .fillColor(QUIET)
    .text('as found', MARGIN + 195, head)
    .text('as left', MARGIN + 340, head);
  for (const s of job.readings.stations) {
    const y = pdf.y;
    if (y > pdf.page.height - MARGIN - 30) pdf.addPage();
    const at = pdf.y;
    pdf.fillColor('black').text(s.label, MARGIN, at, { width: 190 });
    pdf.fillColor(INK).text(cell(s.key, s.quantity, 'as-found'), MARGIN + 195, at, { width: 140 });
    pdf.text(cell(s.key, s.quantity, 'as-left'), MARGIN + 340, at, { width: 140 });
  }
}

function work(pdf: Pdf, job: JobView, sign: string, taxRate: number): void {
  heading(pdf, 'What was done');
  const done = job.lines.filter((l) => l.approval === 'yes');
  for (const l of done) {
    pdf
      .fillColor('black')
      .text(`${l.title}: ${l.detail || 'as agreed'}`, MARGIN, pdf.y, { width: 400, continued: false });
    pdf.fillColor(QUIET).text(formatMoney(l.price + l.parts, sign), { align: 'right' });
  }
  const left = [
    ...job.decisions
      .filter((d) => d.decision === 'declined')
      .map((d) => `${d.proposed.title}${d.reason ? `: ${d.reason}` : ''}`),
    ...job.lines.filter((l) => l.approval === 'no').map((l) => `${l.title}: ${l.approvedBy} said no`),
  ];
  if (left.length > 0) {
    heading(pdf, 'Left as it is');
    for (const text of left) pdf.fillColor('black').text(text);
  }
  const sum = total(done, taxRate, job.discount);
  const off = sum.discount === 0 ? '' : `, less ${formatMoney(sum.discount, sign)} (${job.discount.reason})`;
  heading(pdf, 'Price');
  pdf
    .fillColor('black')
    .text(
      `Labour ${formatMoney(sum.labour, sign)}, parts ${formatMoney(sum.parts, sign)}${off}, tax ${formatMoney(sum.tax, sign)}. To pay: ${formatMoney(sum.toPay, sign)}`,
    );
}

function signature(pdf: Pdf, job: JobView): void {
  heading(pdf, 'Given back and signed');
  const things = job.items.map((i) => (i.returned ? i.name : `${i.name} (not given back: ${i.absence})`));
  if (things.length > 0) pdf.fillColor('black').text(`Given back: ${things.join(', ')}.`);
  const checked = BENCH_CHECKS.filter((c) => job.handOver.checks[c.key]).map((c) => c.title);
  if (checked.length > 0)
    pdf.text(`Checked at the bench by ${job.handOver.checkedBy}: ${checked.join('; ')}.`);
  if (job.handOver.exception) pdf.text(`Explained: ${job.handOver.exception}`);
  if (pdf.y > pdf.page.height - 170) pdf.addPage();
  const top = pdf.y + 8;
  if (job.handOver.signature) {
    const strokes = JSON.parse(job.handOver.signature) as { x: number; y: number }[][];
    const scale = 240 / SIGNATURE_WIDTH;
    for (const stroke of strokes) {
      stroke.forEach((p, i) =>
        i === 0
          ? pdf.moveTo(MARGIN + p.x * scale, top + p.y * scale)
          : pdf.lineTo(MARGIN + p.x * scale, top + p.y * scale),
      );
      pdf.lineWidth(1.2).lineCap('round').strokeColor(INK).stroke();
    }
    pdf.y = top + 76;
  }
  pdf
    .fillColor(INK)
    .text(`${job.handOver.signer}, ${job.handOver.signedAt?.slice(0, 16).replace('T', ' ') ?? ''}`, MARGIN);
  if (job.seal.kind === 'whole') pdf.fillColor(SEAL).fontSize(8).text(`Sealed. SHA-256 ${job.seal.digest}`);
  if (job.seal.kind === 'broken')
    pdf
      .fillColor(RUBRIC)
      .fontSize(8)
      .text(`CHANGED SINCE IT WAS SIGNED: ${job.seal.changed.join(', ')}. SHA-256 ${job.seal.digest}`);
}

/** The customer's sheet as PDF: what they said, what was done, before and after, what they signed. */
export function customerSheet(job: JobView): Promise<Buffer> {
  const { shop } = job;
  const pdf = begin(job);
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    pdf.on('data', (d: Buffer) => chunks.push(d));
    pdf.on('end', () => resolve(Buffer.concat(chunks)));
    pdf.on('error', reject);
  });
  pdf.font('sans').fontSize(10).fillColor(QUIET).text(shop.name);
  pdf.font('serif').fontSize(20).fillColor('black').text(`${job.instrument.name}, job ${job.number}`);
  pdf
    .font('sans')
    .fontSize(10)
    .fillColor(QUIET)
    .text(
      `${job.customer.name} · serial ${job.instrument.serial || 'none'} · taken in ${job.takenInAt.slice(0, 10)}`,
    );
  heading(pdf, 'In your words');
  pdf.fillColor(INK).text(job.complaint);
  if (job.wish) pdf.text(job.wish);
  work(pdf, job, shop.currency, shop.taxRate);
  readings(pdf, job);
  signature(pdf, job);
  pdf.end();
  return done;
}
