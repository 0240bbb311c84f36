import { usualConstruction } from '../../core/instrument/defaults.ts';
import { KINDS } from '../../core/instrument/kinds.ts';
import { fretPosition } from '../../core/neck/fret-position.ts';
import { allStations, SHEET_PARTS, type SheetPart } from '../../core/readings/stations.ts';
import { boardShape } from '../../core/neck/board-shape.ts';
import { fretTop, readTop, sheetGeometry, stretchOf } from './geometry.ts';
import { placeCells, placeHeads, spotOf, stationsOfPart } from './sheet-layout.ts';

const PARTS = Object.keys(SHEET_PARTS) as SheetPart[];
const cases = KINDS.flatMap((kind) => PARTS.map((part) => [kind, part] as const));

describe('where the fields stand', () => {
  test.each(cases)('%s, %s: every place once, none over another, none off the sheet', (kind, part) => {
    const c = usualConstruction(kind);
    const all = allStations(c).map((s) => ({ ...s, target: null }));
    const stations = stationsOfPart(part, all, 12);
    for (const width of [1150, 1600]) {
      const g = sheetGeometry(c, width, 4, stretchOf(c, part));
      const { heads, height } = placeHeads(part, stations, c, g);
      const cells = placeCells(part, stations, c, g, height + 204);
      expect([...heads, ...cells].map((p) => p.station.key).sort()).toEqual(
        stations.map((s) => s.key).sort(),
      );
      for (const group of [heads, cells]) {
        const byLine = [...new Set(group.map((p) => p.top))].map((top) => group.filter((p) => p.top === top));
        for (const line of byLine) {
          const sorted = [...line].sort((a, b) => a.left - b.left);
          sorted.forEach((p, i) => {
            const next = sorted[i + 1];
            if (next) expect(next.left).toBeGreaterThanOrEqual(p.left + p.width - 1e-6);
            expect(p.left).toBeGreaterThanOrEqual(0);
            expect(p.left + p.width).toBeLessThanOrEqual(width + 1e-6);
          });
        }
      }
    }
  });

  test('a head points to the place where its reading is taken', () => {
    const c = usualConstruction('steel-acoustic');
    const g = sheetGeometry(c, 1150, 4);
    const at = (key: string) => {
      const s = allStations(c).find((x) => x.key === key);
      return s ? spotOf({ ...s, target: null }, c, g) : Number.NaN;
    };
    expect(at('relief:0:9')).toBeCloseTo(g.x(fretPosition(c.scale, 9)), 9);
    expect(at('nut-width:0:0')).toBe(g.x(0));
    expect(at('slot-depth:0:0')).toBe(g.x(c.scale + c.compensation));
    expect(at('pickup-height:1:1') ?? at('neck-angle:0:0')).not.toBe(g.x(0));
  });
});

describe('the board as it was read', () => {
  const c = usualConstruction('steel-acoustic');

  test('one relief reading is an even bend', () => {
    for (const n of [2, 7, 12, 18])
      expect(readTop(c, { relief: 0.3, action: null, nutGap: null }, n)).toBeCloseTo(
        (fretTop(c, 1, n) / fretTop(c, 1, 7)) * -0.3,
        12,
      );
  });

  test('several readings are all met, and a high fret stands up by what was read', () => {
    const read = [
      [3, 0.15],
      [7, 0.2],
      [12, 0.1],
    ] as const;
    const shape = boardShape(
      c,
      read.map(([fret, value]) => ({ quantity: 'relief' as const, string: 0, fret, value })),
      0.2,
    );
    const m = {
      relief: 0.2,
      action: null,
      nutGap: null,
      shape,
      tops: new Map([[9, 0.08]]),
    };
    expect(readTop(c, m, 3)).toBeCloseTo(-0.15, 12);
    expect(readTop(c, m, 12)).toBeCloseTo(-0.1, 12);
    expect(readTop(c, m, 9) - readTop(c, { ...m, tops: new Map() }, 9)).toBeCloseTo(0.08, 12);
    expect(readTop(c, m, 1)).toBeCloseTo(0, 12);
  });
});

describe('the stretch that is drawn', () => {
  test('nut and saddle are drawn nearer, heights as one chose', () => {
    const c = usualConstruction('bass');
    const whole = sheetGeometry(c, 1150, 4);
    for (const part of ['nut', 'saddle'] as const) {
      const near = sheetGeometry(c, 1150, 4, stretchOf(c, part));
      expect(near.perMm).toBeGreaterThan(2 * whole.perMm);
      expect(near.enlarged).toBeGreaterThanOrEqual(1);
    }
    expect(sheetGeometry(c, 1150, 4, stretchOf(c, 'setup'), 40).enlarged).toBe(40);
  });
});
