import { usualConstruction } from '../instrument/defaults.ts';
import { contactTemplate, nutContactTemplate } from '../templates/contact-templates.ts';
import { toSvg } from '../templates/drawing.ts';
import { errorAfter } from './intonation-fit.ts';
import { intonationPlan } from './intonation-plan.ts';
import { saddleMove } from './saddle-move.ts';
import { fretPosition } from '../neck/fret-position.ts';

const c = usualConstruction('steel-acoustic');
const cents = (string: number, fret: number, value: number) => ({
  quantity: 'intonation',
  string,
  fret,
  value,
});

test('one fret: the saddle’s exact move, the nut is not guessed', () => {
  const [s] = intonationPlan(c, [cents(6, 12, 5)]);
  expect(s?.fit.saddleMove).toBeCloseTo(saddleMove(c.scale, 12, 5, c.compensation), 6);
  expect(s).toMatchObject({ nutToo: false, why: 'Only one fret was read.', at: null, outside: 0 });
});

test('low frets and the 12th: nut and saddle together', () => {
  const xs = c.scale + c.compensation;
  // A string whose nut stands 0.6 mm too far from, and whose saddle 1.2 mm too near to the frets.
  const frets = [1, 3, 5, 12];
  const read = frets.map((n) => cents(3, n, -errorAfter(xs, fretPosition(c.scale, n), 0, 1.2, 0.6)));
  const [s] = intonationPlan(c, read);
  expect(s?.nutToo).toBe(true);
  expect(s?.fit.nutMove).toBeCloseTo(0.6, 1);
  expect(s?.fit.rmsAfter).toBeLessThan(0.1);
});

test('two high frets cannot tell the nut from the saddle, and it says so', () => {
  const [s] = intonationPlan(c, [cents(1, 12, 3), cents(1, 13, 3)]);
  expect(s?.nutToo).toBe(false);
  expect(s?.why).toMatch(/cannot tell/);
});

test('a contact that leaves the crown says how far, and the ways', () => {
  const [s] = intonationPlan(c, [
    cents(2, 12, 8),
    { quantity: 'contact', string: 2, fret: 0, value: 2 },
    { quantity: 'saddle-thickness', string: 0, fret: 0, value: 2.8 },
  ]);
  expect(s?.outside).toBeCloseTo(2 + (s?.fit.saddleMove ?? 0) - 2.8, 9);
  expect(s?.ways.length).toBeGreaterThan(1);
  // What is read of the saddle is not read of the pitch, nor another string's contact this one's.
  expect(s?.fit.saddleMove).toBeCloseTo(saddleMove(c.scale, 12, 8, c.compensation), 6);
  expect(s?.readings).toEqual([{ fret: 12, cents: 8 }]);
  const [other] = intonationPlan(c, [
    cents(2, 12, 1),
    { quantity: 'contact', string: 3, fret: 0, value: 0.5 },
    { quantity: 'contact', string: 2, fret: 0, value: 1 },
  ]);
  expect(other?.from).toBe(1);
  expect(other).toMatchObject({ outside: 0, ways: [] });
});

test('readings are worked out from the nut on, in whatever order they were taken, each string by its own', () => {
  const mixed = [cents(5, 12, 4), cents(4, 12, -2), cents(5, 3, 1), cents(5, 7, 2)];
  const [fifth, fourth] = intonationPlan(c, mixed);
  expect(fifth?.readings.map((r) => r.fret)).toEqual([3, 7, 12]);
  expect(fourth?.readings).toEqual([{ fret: 12, cents: -2 }]);
  expect(intonationPlan(c, [...mixed].reverse())[0]?.fit.saddleMove).toBeCloseTo(
    fifth?.fit.saddleMove ?? NaN,
    9,
  );
});

test('strings that were not read are left out', () => {
  expect(intonationPlan(c, [])).toEqual([]);
});

describe('the true-size drawings', () => {
  const spots = [
    { string: 6, across: 0, from: 1.5, to: 2.7 },
    { string: 1, across: 54, from: null, to: 0.9 },
  ];
  test('a contact stands where it must, to the hundredth, beside a line to check the print by', () => {
    const d = contactTemplate(spots, 3);
    const front = d.shapes.find((s) => s.kind === 'line' && s.x2 - s.x1 > 60);
    const long = d.shapes.filter((s) => s.kind === 'line' && Math.abs(s.x2 - s.x1 - 5) < 1e-9);
    if (front?.kind !== 'line') throw new Error('no front edge');
    expect(long.map((s) => (s.kind === 'line' ? s.y1 - front.y1 : NaN))).toEqual([
      expect.closeTo(2.7, 9),
      expect.closeTo(0.9, 9),
    ]);
    expect(d.shapes.some((s) => s.kind === 'line' && Math.abs(s.x2 - s.x1 - 50) < 1e-9)).toBe(true);
    expect(toSvg(d)).toContain('mm"');
  });
  test('the nut’s contacts stand beyond its front edge', () => {
    const d = nutContactTemplate([{ string: 1, across: 0, from: null, to: 0.4 }], 5);
    expect(d.title).toContain('nut');
    expect(d.shapes.some((s) => s.kind === 'text' && s.text === '0.40')).toBe(true);
  });
});

test('a move no contact could make is questioned', () => {
  const c = usualConstruction('steel-acoustic');
  const [far, near] = [intonationPlan(c, [cents(6, 12, 60)])[0], intonationPlan(c, [cents(6, 12, 6)])[0]];
  expect(far?.doubt).toMatch(/further than a contact travels/);
  expect(near?.doubt).toBeNull();
});
