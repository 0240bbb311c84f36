import { seeded } from '../seeded.ts';
import {
  comesAgain,
  proposedNumber,
  proposeFirstCut,
  proposeMinutes,
  proposePrices,
  proposalsOf,
} from './proposals.ts';

const ROD = { id: 'rod', name: 'Adjust the truss rod', minutes: { low: 5, likely: 10, high: 20 } };
const times = (count: number, minutes: number, by: number): number[] =>
  Array.from({ length: count }, (_, i) => minutes + by * ((i % 5) - 2));

test('minutes are proposed where the work surely took longer or shorter, and not by a few or by chance', () => {
  const longer = proposeMinutes(ROD, times(10, 20, 2));
  expect(longer).toMatchObject({ id: 'minutes:rod', count: 10, proposed: { likely: 20 } });
  expect(proposeMinutes(ROD, times(7, 20, 2))).toBeNull();
  expect(proposeMinutes(ROD, times(40, 11, 1))).toBeNull();
  // Half longer, half shorter: nothing to say.
  expect(proposeMinutes(ROD, [5, 5, 5, 5, 5, 30, 30, 30, 30, 30])).toBeNull();
});

test('where the minutes are right, fewer than one shop in twenty is told otherwise', () => {
  const random = seeded(9);
  let told = 0;
  for (let shop = 0; shop < 1000; shop++) {
    const took = Array.from(
      { length: 8 + Math.floor(20 * random()) },
      () => 30 * Math.exp(0.8 * (random() - 0.5)),
    );
    if (proposeMinutes({ ...ROD, minutes: { low: 20, likely: 30, high: 45 } }, took)) told += 1;
  }
  expect(told / 1000).toBeLessThan(0.05);
});

test('minutes stay in order, low to high', () => {
  const random = seeded(2);
  for (let i = 0; i < 200; i++) {
    const p = proposeMinutes(
      ROD,
      Array.from({ length: 12 }, () => 15 + 60 * random()),
    );
    if (p?.id !== 'minutes:rod' || typeof p.proposed === 'number') continue;
    expect(p.proposed.low).toBeLessThanOrEqual(p.proposed.likely);
    expect(p.proposed.likely).toBeLessThanOrEqual(p.proposed.high);
  }
});

test('a price follows the shop’s rate of an hour; without one, what an hour of the other work brings', () => {
  const catalogue = [
    { id: 'a', name: 'A', price: 3000 },
    { id: 'b', name: 'B', price: 6000 },
    { id: 'c', name: 'C', price: 3000 },
  ];
  const took = new Map([
    ['a', times(10, 30, 1)],
    ['b', times(10, 60, 1)],
    ['c', times(10, 60, 1)],
  ]);
  expect(proposePrices(catalogue, took, 6000).map((p) => [p.id, p.proposed])).toEqual([['price:c', 6000]]);
  // A and B bring 100 a minute together.
  const without = proposePrices(catalogue, took, null).find((p) => p.id === 'price:c');
  expect(without?.proposed).toBe(6000);
  // What costs nothing on purpose is left at that.
  expect(proposePrices([{ id: 'a', name: 'A', price: 0 }], took, 6000)).toEqual([]);
});

test('the first cut is proposed from cuts that say another share, with how many would have gone past', () => {
  const cuts = Array.from({ length: 20 }, (_, i) => ({ said: 1, came: 1 + 0.03 * ((i % 5) - 2) }));
  const p = proposeFirstCut(cuts, 0.8);
  expect(p).toMatchObject({ now: 0.8, count: 20 });
  expect(proposedNumber(p ?? raise())).toBeGreaterThan(0.88);
  expect(p?.says).toContain('20 saddle cuts: at 80 % of the whole, 0 would have gone past it');
  expect(proposeFirstCut(cuts, proposedNumber(p ?? raise()))).toBeNull();
});

test('what was put away comes again when half as many cases more speak for it', () => {
  const cuts = (n: number) =>
    Array.from({ length: n }, (_, i) => ({ said: 1, came: 1 + 0.03 * ((i % 5) - 2) }));
  const of = (n: number) =>
    proposalsOf(
      { cuts: cuts(n), firstCutShare: 0.8, catalogue: [], took: new Map(), hourly: null },
      { 'first-cut': { count: 20 } },
    ).length;
  expect([20, 29, 30].map(of)).toEqual([0, 0, 1]);
  expect(comesAgain(12, 8)).toBe(true);
});

function raise(): never {
  throw new Error('nothing was proposed');
}
