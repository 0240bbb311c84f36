import { usualConstruction } from '../instrument/defaults.ts';
import type { BoardRadius } from '../instrument/board-radius.ts';
import { allStations } from '../readings/stations.ts';
import { resolveTarget } from './resolve.ts';
import { SHIPPED_TARGETS } from './shop-targets.ts';

const electric = { ...usualConstruction('solid-electric'), vibrato: 'floating' as const };

function band(key: string, radius?: BoardRadius, kind = electric) {
  const c = { ...kind, ...(radius && { radius }) };
  const station = allStations(c).find((s) => s.key === key);
  return station ? resolveTarget(c, 'heavy', [], station) : null;
}

test('a pickup has a band under each outer string, which no touch moves', () => {
  expect(band('pickup-height:3:1')).toMatchObject({ low: 1.8, aim: 2.4, high: 3.2, layer: 'kind' });
  expect(band('pickup-height:1:1')?.aim).toBe(2);
  expect(
    band('pickup-height:3:1', undefined, { ...usualConstruction('bass'), vibrato: 'floating' })?.aim,
  ).toBe(2.8);
});

test('over a rounder board the outer strings come nearer, over a flatter one they stand further', () => {
  const usual = band('pickup-height:3:1', { kind: 'single', at: 304.8 })?.aim ?? 0;
  expect(usual).toBeCloseTo(2.4, 9);
  expect(band('pickup-height:3:1', { kind: 'single', at: 184 })?.aim).toBeLessThan(usual - 0.1);
  expect(band('pickup-height:3:1', { kind: 'compound', nut: 184, end: 406 })?.aim).toBeGreaterThan(usual);
  expect(band('pickup-height:3:1', { kind: 'flat' })?.aim).toBe(2.4);
});

test('a floating vibrato has its band; one that rests on the body has none, nor has a nylon a pickup to set', () => {
  expect(band('vibrato-float:0:0')?.aim).toBe(3);
  const nylon = usualConstruction('nylon');
  for (const s of allStations(nylon))
    if (s.quantity === 'pickup-height' || s.quantity === 'vibrato-float')
      expect(resolveTarget(nylon, 'medium', [], s)).toBeNull();
});

test('targets that a shop has saved before there were these bands keep what ships for them', () => {
  const kinds = Object.fromEntries(
    Object.entries(SHIPPED_TARGETS.kinds).map(([id, { pickupBass: _b, pickupTreble: _t, ...old }]) => [
      id,
      old,
    ]),
  );
  const station = allStations(electric).find((s) => s.key === 'pickup-height:3:1');
  if (!station) throw new Error('no pickup');
  expect(resolveTarget(electric, 'medium', [], station, { shop: { ...SHIPPED_TARGETS, kinds } })?.aim).toBe(
    2.4,
  );
});
