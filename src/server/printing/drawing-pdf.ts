import PDFDocument from 'pdfkit';
import type { Drawing } from '../../core/templates/drawing.ts';
import { drawShape } from './draw-shapes.ts';
import { fontFile } from './fonts.ts';

const PT_PER_MM = 72 / 25.4;
const A4: readonly [number, number] = [210, 297];
const EDGE = 8;

/** The page a drawing is put on: A4 upright, A4 lying, or as large as it needs. mm */
function pageFor(d: Drawing): readonly [number, number] {
  const [w, h] = [d.width + 2 * EDGE, d.height + 2 * EDGE];
  const [short, long] = A4;
  if (w <= short && h <= long) return [short, long];
  return w <= long && h <= short ? [long, short] : [Math.max(w, short), Math.max(h, short)];
}

/** A true-size drawing as PDF. One millimetre of the drawing is one millimetre of paper. */
export function drawingPdf(d: Drawing): Promise<Buffer> {
  const [width, height] = pageFor(d);
  const pdf = new PDFDocument({
    size: [width * PT_PER_MM, height * PT_PER_MM],
    margin: 0,
    compress: false,
    info: { Title: d.title, Creator: 'Rubrica' },
  });
  pdf.registerFont('sans', fontFile('sans'));
  const pieces: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    pdf.on('data', (piece: Buffer) => pieces.push(piece));
    pdf.on('end', () => resolve(Buffer.concat(pieces)));
    pdf.on('error', reject);
  });
  pdf.scale(PT_PER_MM).translate(EDGE, EDGE);
  for (const s of d.shapes) drawShape(pdf, s);
  pdf.end();
  return done;
}
