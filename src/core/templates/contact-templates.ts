import { checkLine, HAIR, label, line, MARGIN, THIN, type Drawing, type Shape } from './drawing.ts';

/** Where a string meets the saddle or the nut, from above. mm */
export interface ContactSpot {
  readonly string: number;
  /** across the neck, from the lowest string */
  readonly across: number;
  /** from the front edge, now; null where it was not read */
  readonly from: number | null;
  /** from the front edge, when it is done */
  readonly to: number;
}

const SHOULDER = 6;
const LEAST_WIDTH = 100;

function fromAbove(
  title: string,
  words: string,
  spots: readonly ContactSpot[],
  thick: number,
  /** the figure at a string, mm */
  figure: (s: ContactSpot) => number = (s) => s.to,
): Drawing {
  const spread = Math.max(0, ...spots.map((s) => s.across));
  const width = spread + 2 * SHOULDER;
  const above = Math.max(0, ...spots.map((s) => -Math.min(s.to, s.from ?? 0)));
  const below = Math.max(0, ...spots.map((s) => Math.max(s.to, s.from ?? 0) - thick));
  const front = MARGIN + 9 + above;
  const back = front + thick;
  const x = (s: ContactSpot) => MARGIN + SHOULDER + s.across;
  const marks = spots.flatMap((s): Shape[] => [
    line(x(s) - 2.5, front + s.to, x(s) + 2.5, front + s.to, HAIR),
    ...(s.from === null ? [] : [line(x(s) - 1.2, front + s.from, x(s) + 1.2, front + s.from, THIN)]),
    line(x(s), front - 2, x(s), back + 2, THIN),
    label(x(s), back + below + 5, figure(s).toFixed(2), 'middle', 2.4),
    label(x(s), front - above - 3, String(s.string), 'middle', 2.4),
  ]);
  return {
    title,
    width: Math.max(width, LEAST_WIDTH) + 2 * MARGIN,
    height: back + below + 26,
    shapes: [
      label(MARGIN, MARGIN - 2, words),
      line(MARGIN, front, MARGIN + width, front, HAIR),
      line(MARGIN, back, MARGIN + width, back, HAIR),
      line(MARGIN, front, MARGIN, back, HAIR),
      line(MARGIN + width, front, MARGIN + width, back, HAIR),
      ...marks,
      ...checkLine(MARGIN, back + below + 14),
    ],
  };
}

/** The compensated saddle from above at true size: long strokes where each string must leave it, short ones where it does. */
export const contactTemplate = (spots: readonly ContactSpot[], thick: number): Drawing =>
  fromAbove(
    'Compensated saddle, true size',
    'Saddle from above, front edge up, bass left. Figures: mm from the front edge.',
    spots,
    thick,
  );

/** The compensated nut from above at true size: how far each contact comes toward the saddle. */
export const nutContactTemplate = (spots: readonly ContactSpot[], thick: number): Drawing =>
  fromAbove(
    'Compensated nut, true size',
    'Nut from above, its front edge down, bass left. Figures: mm beyond its front edge.',
    spots.map((s) => ({ ...s, to: thick + s.to, from: thick })),
    thick,
    // The drawing lies from the back edge, the figure is what the table says: beyond the front edge.
    (s) => s.to - thick,
  );
