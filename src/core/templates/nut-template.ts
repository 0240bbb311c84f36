import type { NutLayout } from '../nut/nut-layout.ts';
import { checkLine, HAIR, label, line, MARGIN, THIN, type Drawing } from './drawing.ts';

const SLOT = 12;
const LEAST_WIDTH = 90;

/** The nut's slots at true size: each as wide as its string, its centre marked, distances from the first centre. */
export function nutTemplate(width: number, gauges: readonly number[], layout: NutLayout): Drawing {
  const top = MARGIN + 8;
  const first = layout.centres[0] ?? 0;
  const slots = layout.centres.flatMap((c, i) => {
    const x = MARGIN + c;
    const half = (gauges[i] ?? 0) / 2;
    return [
      line(x - half, top, x - half, top + SLOT, THIN),
      line(x + half, top, x + half, top + SLOT, THIN),
      line(x, top - 4, x, top - 1, THIN),
      label(x, top + SLOT + 4 + (i % 2) * 3.2, (c - first).toFixed(2), 'middle', 2.4),
    ];
  });
  return {
    title: 'Nut slots, true size',
    width: Math.max(width, LEAST_WIDTH) + 2 * MARGIN,
    height: top + SLOT + 28,
    shapes: [
      label(MARGIN, MARGIN, 'Nut slots, bass side left. Figures: mm from the first centre.'),
      line(MARGIN, top, MARGIN + width, top, HAIR),
      line(MARGIN, top + SLOT, MARGIN + width, top + SLOT, HAIR),
      ...slots,
      ...checkLine(MARGIN, top + SLOT + 17),
    ],
  };
}
