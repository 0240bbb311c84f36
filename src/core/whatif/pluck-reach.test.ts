/** The three touches against the trade's own aims, and a hand fitted to what was heard of it. */
import { clearance } from '../clearance/clearance.ts';
import { KINDS } from '../instrument/kinds.ts';
import type { Touch } from '../targets/target.ts';
import { handFor, mapOfNeck, playedPositions, tightest } from './clearance-map.ts';
import { consequences } from './consequences.ts';
import { NO_MOVES } from './moves.ts';
import { atItsAims, fitForce, lowestFor, RESERVE } from './pluck-reach.ts';

const TOUCHES: readonly Touch[] = ['light', 'medium', 'heavy'];
const CASES = KINDS.flatMap((kind) => TOUCHES.map((touch) => [kind, touch] as const));

test.each(CASES)('a %s at its aims for a %s touch clears for that touch, with the reserve', (kind, touch) => {
  const { model } = atItsAims(kind, touch);
  const o = consequences(model, NO_MOVES);
  const at = tightest(mapOfNeck(model, o, handFor(model, touch)), playedPositions(model.construction.frets));
  expect(at?.margin).toBeGreaterThanOrEqual(RESERVE);
});

test.each(CASES)(
  '%s, %s: the lowest that clears lies between its band’s low end less 0.3 and its aim',
  (kind, touch) => {
    const { model, targets } = atItsAims(kind, touch);
    const low = lowestFor(kind, touch);
    if (low === null) throw new Error('none clears');
    const count = model.construction.strings.length;
    for (const [string, action] of [
      [count, low.bass],
      [1, low.treble],
    ] as const) {
      const band = targets.get(`action:${string}:12`);
      expect(action).toBeGreaterThanOrEqual((band?.low ?? Infinity) - 0.3);
      expect(action).toBeLessThanOrEqual(band?.aim ?? -Infinity);
    }
  },
);

test('a harder touch needs more height', () => {
  for (const kind of KINDS) {
    const [light, medium, heavy] = TOUCHES.map((t) => lowestFor(kind, t)?.bass ?? Number.NaN);
    expect(light).toBeLessThan(medium ?? 0);
    expect(medium).toBeLessThan(heavy ?? 0);
  }
});

const NECK = {
  scale: 648,
  compensation: 2,
  frets: 20,
  nut: 0.3,
  saddle: 3.2,
  tops: new Float64Array(21),
  tension: 80,
  share: 0.5,
  pluck: 130,
};
/** What is heard of a hand of a known force at every held place. */
const heardOf = (force: number) => {
  const map = clearance({ ...NECK, force });
  return Array.from({ length: 18 }, (_, held) => ({
    held,
    heard: (map.margin[held] ?? 0) >= 0 ? ('clear' as const) : ('buzzes' as const),
  }));
};

const HANDS = Array.from({ length: 24 }, (_, i) => (4 + i) / 10);
test.each(HANDS)('what a hand of %d N lets hear is explained by the fitted one', (force) => {
  const marks = heardOf(force);
  const said = fitForce(NECK, marks, 1.2);
  expect(said.agrees).toBe(true);
  expect(heardOf(said.force)).toEqual(marks);
});

test('marks that contradict each other are said to; without marks the usual force stands', () => {
  expect(fitForce(NECK, [], 1.2)).toEqual({ force: 1.2, agrees: true });
  const odd = fitForce(
    NECK,
    [
      { held: 1, heard: 'buzzes' },
      { held: 1, heard: 'clear' },
      { held: 2, heard: 'clear' },
      { held: 12, heard: 'buzzes' },
    ],
    1.2,
  );
  expect(odd.agrees).toBe(false);
});
