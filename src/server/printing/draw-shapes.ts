import type PDFDocument from 'pdfkit';
import type { Drawing, Shape } from '../../core/templates/drawing.ts';

type Pdf = InstanceType<typeof PDFDocument>;

/** Draws one shape in the pen's present scale. */
export function drawShape(pdf: Pdf, s: Shape): void {
  switch (s.kind) {
    case 'line':
      pdf.lineWidth(s.weight).moveTo(s.x1, s.y1).lineTo(s.x2, s.y2).stroke();
      return;
    case 'path':
      pdf.lineWidth(s.weight);
      for (const [i, [x, y]] of s.points.entries()) {
        if (i === 0) pdf.moveTo(x, y);
        else pdf.lineTo(x, y);
      }
      pdf.stroke();
      return;
    case 'text': {
      pdf.font('sans').fontSize(s.size);
      const shift = s.anchor === 'middle' ? pdf.widthOfString(s.text) / 2 : 0;
      pdf.text(s.text, s.x - shift, s.y, { lineBreak: false, baseline: 'alphabetic' });
    }
  }
}

/** Draws a drawing at a place on the page, as wide as told, in points; answers how high it became. */
export function drawAt(pdf: Pdf, d: Drawing, x: number, y: number, width: number): number {
  const scale = width / d.width;
  pdf.save().translate(x, y).scale(scale).strokeColor('#000').fillColor('#000');
  for (const s of d.shapes) drawShape(pdf, s);
  pdf.restore();
  return d.height * scale;
}
