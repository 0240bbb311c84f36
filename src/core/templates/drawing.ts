/** A shape of a true-size drawing. Lengths in mm, y downward. */
export type Shape =
  | {
      readonly kind: 'line';
      readonly x1: number;
      readonly y1: number;
      readonly x2: number;
      readonly y2: number;
      readonly weight: number;
    }
  | {
      readonly kind: 'path';
      readonly points: ReadonlyArray<readonly [number, number]>;
      readonly weight: number;
    }
  | {
      readonly kind: 'text';
      readonly x: number;
      readonly y: number;
      readonly size: number;
      readonly text: string;
      readonly anchor: 'start' | 'middle';
    };

/** A drawing that is printed at true size. */
export interface Drawing {
  readonly title: string;
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly Shape[];
}

export const HAIR = 0.15;
export const THIN = 0.1;
/** Length of the line by which a print is checked, mm. */
export const CHECK_MM = 50;
export const MARGIN = 8;

export const line = (x1: number, y1: number, x2: number, y2: number, weight = HAIR): Shape => ({
  kind: 'line',
  x1,
  y1,
  x2,
  y2,
  weight,
});

export const label = (
  x: number,
  y: number,
  text: string,
  anchor: 'start' | 'middle' = 'start',
  size = 3,
): Shape => ({
  kind: 'text',
  x,
  y,
  size,
  text,
  anchor,
});

const CHECK_SHAPES = 4;

/** The 50 mm line with its ticks and what to do with it. */
export const checkLine = (x: number, y: number): Shape[] => [
  line(x, y, x + CHECK_MM, y, HAIR),
  line(x, y - 1.5, x, y + 1.5),
  line(x + CHECK_MM, y - 1.5, x + CHECK_MM, y + 1.5),
  label(x, y + 5, `This line is ${CHECK_MM} mm: measure it. Print at 100 %, not fitted to the page.`),
];

/** A length to a ten-thousandth, as short as it can be said. Whole numbers become text far sooner than broken ones. */
export function shortest(value: number): string {
  const units = Math.round(value * 1e4);
  const rest = Math.abs(units % 1e4);
  const whole = Math.trunc(units / 1e4);
  if (rest === 0) return String(whole);
  let digits = rest;
  let places = 4;
  for (; digits % 10 === 0; digits /= 10) places--;
  const said = String(digits);
  return `${units < 0 && whole === 0 ? '-0' : whole}.${'0'.repeat(places - said.length)}${said}`;
}
const escape = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

function svgShape(s: Shape): string {
  switch (s.kind) {
    case 'line':
      return `<line x1="${shortest(s.x1)}" y1="${shortest(s.y1)}" x2="${shortest(s.x2)}" y2="${shortest(s.y2)}" stroke-width="${s.weight}"/>`;
    case 'path':
      return `<polyline points="${s.points.map(([x, y]) => `${shortest(x)},${shortest(y)}`).join(' ')}" stroke-width="${s.weight}"/>`;
    case 'text':
      return `<text x="${shortest(s.x)}" y="${shortest(s.y)}" font-size="${s.size}" text-anchor="${s.anchor}" fill="#000" stroke="none">${escape(s.text)}</text>`;
  }
}

/** A drawing as SVG whose user unit is the millimetre, sized in millimetres. */
export function toSvg(d: Drawing): string {
  const head = `<svg xmlns="http://www.w3.org/2000/svg" width="${shortest(d.width)}mm" height="${shortest(d.height)}mm" viewBox="0 0 ${shortest(d.width)} ${shortest(d.height)}">`;
  const style = '<g fill="none" stroke="#000" font-family="sans-serif">';
  return `${head}<title>${escape(d.title)}</title>${style}${d.shapes.map(svgShape).join('')}</g></svg>`;
}

/** The words that say which side is which, and what they are turned round. */
const SIDES: readonly (readonly [RegExp, string])[] = [
  [/bass side left/, 'bass side right'],
  [/bass left/, 'bass right'],
];

/** A drawing for a left-handed instrument: turned round from side to side, its words and its check line as they are. */
export function leftHanded(d: Drawing): Drawing {
  const across = (x: number): number => d.width - x;
  const turn = (s: Shape): Shape => {
    switch (s.kind) {
      case 'line':
        return { ...s, x1: across(s.x1), x2: across(s.x2) };
      case 'path':
        return { ...s, points: s.points.map(([x, y]) => [across(x), y] as const) };
      case 'text':
        return s.anchor === 'middle'
          ? { ...s, x: across(s.x) }
          : { ...s, text: SIDES.reduce((text, [from, to]) => text.replace(from, to), s.text) };
    }
  };
  // The check line and its words stay together at the left edge.
  const check = d.shapes.length - CHECK_SHAPES;
  return { ...d, shapes: d.shapes.map((s, i) => (i < check ? turn(s) : s)) };
}
