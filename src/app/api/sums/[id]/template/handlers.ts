import { fromAddress, isLeftHanded, readForm } from '../../../../../contracts/sums/typed-form.ts';
import { nutDrawing } from '../../../../../core/sums/nut-sums.ts';
import { sumById } from '../../../../../core/sums/run-sum.ts';
import { saddleDrawing } from '../../../../../core/sums/saddle-sums.ts';
import { leftHanded, toSvg } from '../../../../../core/templates/drawing.ts';
import { drawingPdf } from '../../../../../server/printing/drawing-pdf.ts';
import type { At } from '../../../../_lib/address.ts';

const DRAWINGS: Readonly<Record<string, typeof nutDrawing>> = {
  'nut-layout': nutDrawing,
  'saddle-top': saddleDrawing,
};

/** The true-size template of a sum, as SVG or PDF, from what its address carries. It shows nothing of the shop. */
export async function GET(request: Request, { params }: At<'id'>): Promise<Response> {
  const { id } = params;
  const query = new URL(request.url).searchParams;
  const format = query.get('format') ?? 'svg';
  query.delete('format');
  const [sum, draw] = [sumById(id), DRAWINGS[id]];
  if (!sum || !draw) return new Response('This sum has no template.', { status: 404 });
  if (format !== 'svg' && format !== 'pdf') return new Response('format is svg or pdf.', { status: 400 });
  const carried = fromAddress(query);
  const read = readForm(sum, carried?.typed ?? {}, carried?.unit ?? 'mm');
  if (!read.result.ok) return new Response(read.result.error.message, { status: 400 });
  const drawn = draw(read.input);
  if (!drawn) return new Response('This cannot be drawn.', { status: 400 });
  const drawing = isLeftHanded(carried?.typed ?? {}) ? leftHanded(drawn) : drawn;
  const name = `inline; filename="${id}.${format}"`;
  if (format === 'svg') {
    return new Response(toSvg(drawing), {
      headers: { 'Content-Type': 'image/svg+xml; charset=utf-8', 'Content-Disposition': name },
    });
  }
  return new Response(new Uint8Array(await drawingPdf(drawing)), {
    headers: { 'Content-Type': 'application/pdf', 'Content-Disposition': name },
  });
}
