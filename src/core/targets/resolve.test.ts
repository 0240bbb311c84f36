import { usualConstruction } from '../instrument/defaults.ts';
import { stationsOf, type Station } from '../readings/stations.ts';
import { KIND_TARGETS } from './defaults.ts';
import { resolveTarget } from './resolve.ts';
import { SHIPPED_TARGETS } from './shop-targets.ts';
import type { TargetWish } from './target.ts';

const NECK = usualConstruction('steel-acoustic');
const at = (key: string): Station => {
  const found = stationsOf(NECK).find((s) => s.key === key);
  if (!found) throw new Error(key);
  return found;
};
const wish = (over: Partial<TargetWish>): TargetWish => ({
  quantity: 'action',
  side: 'both',
  low: 1,
  aim: 1.1,
  high: 1.2,
  ...over,
});

describe('the touch', () => {
  test.each([
    ['light', -0.4],
    ['heavy', 0.7],
  ] as const)('%s moves the band by %d of its width', (touch, share) => {
    const band = KIND_TARGETS['steel-acoustic'].actionBass;
    const by = share * (band.high - band.low);
    const moved = resolveTarget(NECK, touch, [], at('action:6:12'));
    expect(moved?.layer).toBe('touch');
    expect(moved?.low).toBeCloseTo(band.low + by, 12);
    expect(moved?.aim).toBeCloseTo(band.aim + by, 12);
    expect(moved?.high).toBeCloseTo(band.high + by, 12);
  });

  test('never brings a band under nothing, and leaves nut and intonation as they are', () => {
    const uke = usualConstruction('ukulele');
    const relief = stationsOf(uke).find((s) => s.quantity === 'relief');
    expect(relief && resolveTarget(uke, 'light', [], relief)?.low).toBe(0);
    for (const key of ['nut-gap:6:1', 'intonation:6:12']) {
      expect(resolveTarget(NECK, 'heavy', [], at(key))?.layer).toBe('kind');
    }
    expect(resolveTarget(NECK, 'medium', [], at('saddle-standout:0:0'))).toBeNull();
  });
});

describe('this job’s wish', () => {
  test.each([
    ['for both sides', wish({}), 'action:6:12', true],
    ['for the bass, at the bass', wish({ side: 'bass' }), 'action:6:12', true],
    ['for the bass, at the treble', wish({ side: 'bass' }), 'action:1:12', false],
    ['for the treble, at the treble', wish({ side: 'treble' }), 'action:1:12', true],
    ['for another quantity', wish({ quantity: 'relief' }), 'action:1:12', false],
    ['for a place that has no side', wish({ quantity: 'relief', side: 'bass' }), 'relief:0:7', true],
    [
      'for the treble, at the third string',
      wish({ quantity: 'nut-gap', side: 'treble' }),
      'nut-gap:3:1',
      true,
    ],
    ['for the bass, at the fourth', wish({ quantity: 'nut-gap', side: 'bass' }), 'nut-gap:4:1', true],
  ] as const)('%s', (_, w, key, wins) => {
    const target = resolveTarget(NECK, 'light', [w], at(key));
    expect(target?.layer === 'job').toBe(wins);
    if (wins) expect(target).toEqual({ low: 1, aim: 1.1, high: 1.2, layer: 'job' });
  });
});

test('a shop’s own targets for a kind stand before the shipped ones', () => {
  const own = { ...KIND_TARGETS['steel-acoustic'], relief: { low: 0.3, aim: 0.4, high: 0.5 } };
  const target = resolveTarget(NECK, 'medium', [], at('relief:0:7'), {
    shop: { ...SHIPPED_TARGETS, kinds: { 'steel-acoustic': own } },
  });
  expect(target).toEqual({ low: 0.3, aim: 0.4, high: 0.5, layer: 'kind' });
  expect(
    resolveTarget(NECK, 'medium', [], at('relief:0:7'), { shop: { ...SHIPPED_TARGETS, kinds: {} } }),
  ).toEqual({
    ...KIND_TARGETS['steel-acoustic'].relief,
    layer: 'kind',
  });
});

test('stations are called by their string and its note', () => {
  expect(stationsOf(NECK).map((s) => s.label)).toEqual([
    'Relief, 7th',
    'Action 12, string 6',
    'Action 12, string 1',
    ...['6 E', '5 A', '4 D', '3 G', '2 B', '1 E'].map((s) => `Gap over fret 1, string ${s}`),
    'Saddle stands out',
    ...['6 E', '5 A', '4 D', '3 G', '2 B', '1 E'].map((s) => `Cents at 12, string ${s}`),
  ]);
});
