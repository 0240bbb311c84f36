import { line, label, type Drawing } from '../../core/templates/drawing.ts';
import { nutDrawing } from '../../core/sums/nut-sums.ts';
import { drawingPdf } from './drawing-pdf.ts';

const print = async (d: Drawing): Promise<string> => (await drawingPdf(d)).toString('latin1');

/** Page size in mm. */
const page = (pdf: string): number[] =>
  (/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(pdf)?.slice(1) ?? []).map((pt) => (Number(pt) * 25.4) / 72);

/** Strokes of one straight line each, as lengths in mm. */
function strokes(pdf: string): number[] {
  const perUnit = Number(/([\d.]+) 0 0 \1 0 0 cm/.exec(pdf)?.[1]);
  return [...pdf.matchAll(/([\d.-]+) ([\d.-]+) m\n([\d.-]+) ([\d.-]+) l\nS/g)].map((s) => {
    const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = s.slice(1).map(Number);
    return (Math.hypot(x2 - x1, y2 - y1) * perUnit * 25.4) / 72;
  });
}

const drawing = (width: number, height: number, shapes: Drawing['shapes'] = []): Drawing => ({
  title: 'Test',
  width,
  height,
  shapes,
});

describe('drawingPdf', () => {
  test('a millimetre of the drawing is a millimetre of paper', async () => {
    const pdf = await print(drawing(100, 60, [line(0, 0, 50, 0), line(10, 10, 13, 14)]));
    const [first, second] = strokes(pdf);
    expect(first).toBeCloseTo(50, 2);
    expect(second).toBeCloseTo(5, 2);
  });

  test.each([
    ['upright when it fits', 100, 60, 210, 297],
    ['lying when it is wide', 220, 100, 297, 210],
    ['as large as it needs', 400, 100, 416, 210],
  ])('the page is %s', async (_, width, height, pageWidth, pageHeight) => {
    const [w, h] = page(await print(drawing(width, height)));
    expect(w).toBeCloseTo(pageWidth, 1);
    expect(h).toBeCloseTo(pageHeight, 1);
  });

  test('a nut’s template has its check line, its edges and two strokes a slot', async () => {
    const made = nutDrawing({ width: 36, gauges: [1, 0.8, 0.6], by: 'gaps' });
    if (!made) throw new Error('no drawing');
    const lengths = strokes(await print(made));
    expect(lengths.filter((mm) => Math.abs(mm - 50) < 0.01)).toHaveLength(1);
    expect(lengths.filter((mm) => Math.abs(mm - 36) < 0.01)).toHaveLength(2);
    expect(lengths.filter((mm) => Math.abs(mm - 12) < 0.01)).toHaveLength(6);
  });

  test('words are set in the house’s own font', async () => {
    const pdf = await print(drawing(60, 20, [label(5, 5, 'nut', 'middle'), label(5, 15, 'saddle')]));
    expect(pdf).toMatch(/FontName \/[A-Z]+\+AtkinsonHyperlegible/);
  });
});
