import fc from 'fast-check';
import { usualConstruction } from '../../core/instrument/defaults.ts';
import { KINDS } from '../../core/instrument/kinds.ts';
import { fretPosition } from '../../core/neck/fret-position.ts';
import { fretTop, lineOf, placeLabels, readTop, sheetGeometry } from './geometry.ts';

describe('the neck sheet’s measures', () => {
  test.each([...KINDS])('a %s stands to scale between its gutters, at any width', (kind) => {
    const c = usualConstruction(kind);
    for (const width of [720, 1150, 1900]) {
      const g = sheetGeometry(c, width, 5);
      expect(g.x(0)).toBe(g.left);
      expect(g.x(c.scale + c.compensation)).toBeCloseTo(width - g.right, 9);
      const [a, b, d] = [1, 5, 12].map((n) => g.x(fretPosition(c.scale, n)) - g.left) as [
        number,
        number,
        number,
      ];
      expect(a / d).toBeCloseTo(fretPosition(1, 1) / 0.5, 9);
      expect(b / d).toBeCloseTo(fretPosition(1, 5) / 0.5, 9);
      expect(g.rise(5)).toBeLessThanOrEqual(125);
      expect(g.enlarged).toBeLessThanOrEqual(20);
    }
  });

  test('the dip is deepest between the pressed frets and nothing at them', () => {
    const c = usualConstruction('steel-acoustic');
    expect([fretTop(c, 0.3, 1), fretTop(c, 0.3, 20), fretTop(c, 0.3, 0)]).toEqual([0, 0, 0]);
    const tops = Array.from({ length: 20 }, (_, i) => fretTop(c, 0.3, i + 1));
    expect(Math.min(...tops)).toBeCloseTo(-0.3, 2);
    expect(fretTop(c, -0.3, 7)).toBeGreaterThan(0);
  });

  test('the line drawn passes at the action that was read', () => {
    const c = usualConstruction('bass');
    const line = lineOf(c, { relief: 0.3, action: 2.4, nutGap: 0.1 });
    const share = fretPosition(c.scale, 12) / (c.scale + c.compensation);
    const at12 = (line?.nut ?? 0) + ((line?.saddle ?? 0) - (line?.nut ?? 0)) * share;
    expect(at12 - readTop(c, { relief: 0.3, action: null, nutGap: null }, 12)).toBeCloseTo(2.4, 9);
    expect(lineOf(c, { relief: 0.3, action: null, nutGap: 0.1 })).toBeNull();
  });
});

describe('placeLabels', () => {
  const wants = fc.array(fc.double({ min: 0, max: 1000, noNaN: true }), { minLength: 1, maxLength: 6 });

  test('labels never collide, stay on the sheet, and keep their order', () => {
    fc.assert(
      fc.property(wants, (centres) => {
        const edges = placeLabels(centres, 120, 10, 1000);
        const sorted = edges.map((e, i) => ({ e, want: centres[i] ?? 0 })).sort((a, b) => a.e - b.e);
        sorted.forEach(({ e, want }, i) => {
          const next = sorted[i + 1];
          if (next) {
            expect(next.e - e).toBeGreaterThanOrEqual(130 - 1e-9);
            expect(next.want).toBeGreaterThanOrEqual(want);
          }
          expect(e).toBeGreaterThanOrEqual(0);
          expect(e + 120).toBeLessThanOrEqual(1000 + 1e-9);
        });
      }),
    );
  });

  test('with room enough each stands where it wants', () => {
    expect(placeLabels([100, 500, 900], 120, 10, 1000)).toEqual([40, 440, 840]);
  });

  test('two that want one place share the way', () => {
    expect(placeLabels([500, 500], 120, 10, 1000)).toEqual([375, 505]);
  });
});
