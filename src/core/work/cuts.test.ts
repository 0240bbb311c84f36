import { usualConstruction } from '../instrument/defaults.ts';
import { cutPlaces, leftToTake, nextCut, plannedCuts, whyNoSuchCut, type CutMade } from './cuts.ts';

test('a saddle is cut at its two sides, single saddles and nut slots string by string', () => {
  expect(cutPlaces('saddle-lower', usualConstruction('steel-acoustic'))).toEqual(['bass', 'treble']);
  expect(cutPlaces('nut-slots', usualConstruction('bass'))).toEqual([
    'string 4',
    'string 3',
    'string 2',
    'string 1',
  ]);
  const single = { ...usualConstruction('solid-electric'), bridge: 'individual-fixed' as const };
  expect(cutPlaces('saddle-lower', single)[0]).toBe('string 6');
});

test('a plan’s amounts are what is taken off; what goes up or stays is no cut', () => {
  const mm = (what: string, amount: number) => ({ what, amount, unit: 'mm' as const });
  const planned = plannedCuts('saddle-lower', [mm('saddle, bass', -0.9), mm('saddle, treble', 0)]);
  expect([...planned]).toEqual([['bass', 0.9]]);
  expect([...plannedCuts('nut-slots', [mm('slot of string 5', -0.2)])]).toEqual([['string 5', 0.2]]);
});

test('the first cut is the shop’s share of the whole, the next what is left, and then nothing', () => {
  const cut = (took: number): CutMade => ({ place: 'bass', meant: took, took });
  expect(nextCut(1, [], 'bass', 0.8)).toBeCloseTo(0.8, 12);
  expect(nextCut(1, [cut(0.75)], 'bass', 0.8)).toBeCloseTo(0.25, 12);
  expect(nextCut(1, [cut(0.75), cut(0.26)], 'bass', 0.8)).toBeNull();
  expect(nextCut(undefined, [], 'bass', 0.8)).toBeNull();
  expect(leftToTake(1, [cut(1.2)], 'bass')).toBe(0);
});

test.each([
  [0.6, 0.62, null],
  [0.05, 0.02, null],
  [0.6, -0.1, 'not less'],
  [0.6, 15.7, 'Which unit?'],
  [0.6, 0.0157, 'with its unit'],
  [0.02, 0.5, 'with its unit'],
])('meant %f, came off %f: %s', (meant, took, says) => {
  const why = whyNoSuchCut(meant, took);
  if (says === null) expect(why).toBeNull();
  else expect(why).toContain(says);
});
