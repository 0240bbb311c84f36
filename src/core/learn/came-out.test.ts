import { seeded } from '../seeded.ts';
import { cameOut, ENOUGH_CUTS, firstCutShare, shares, tPoint, type Outcome } from './came-out.ts';

/** A normal number. */
function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/** Cuts of a shop whose hand comes out at so much of what was meant, with so much spread. */
const cutsOf = (random: () => number, count: number, mean: number, spread: number): Outcome[] =>
  Array.from({ length: count }, () => {
    const said = 0.2 + random();
    return { said, came: said * (mean + spread * normal(random)) };
  });

test.each([
  // Points of the t distribution from a table.
  [1.6449, 5, 2.015],
  [1.6449, 11, 1.796],
  [1.96, 4, 2.776],
  [1.96, 10, 2.228],
  [1.96, 30, 2.042],
])('the normal’s point %f at %i degrees of freedom is %f', (z, freedom, point) => {
  expect(Math.abs(tPoint(z, freedom) - point)).toBeLessThan(0.02);
});

test('bias and spread are those of the values; a single one has no spread and is sure of nothing', () => {
  expect(cameOut([])).toBeNull();
  expect(cameOut([0.3])).toEqual({ count: 1, bias: 0.3, spread: null, sure: false });
  const out = cameOut([1, 2, 3, 4, 5]);
  expect(out?.bias).toBe(3);
  expect(out?.spread).toBeCloseTo(Math.sqrt(2.5), 12);
  expect(out?.sure).toBe(true);
  expect(cameOut([-1, 1, -2, 2, 0.1])?.sure).toBe(false);
});

test('where there is no bias, one is said to be sure in fewer than one of fifteen', () => {
  const random = seeded(5);
  const shops = 1000;
  let sure = 0;
  for (let i = 0; i < shops; i++)
    if (cameOut(Array.from({ length: 9 }, () => normal(random)))?.sure) sure += 1;
  expect(sure / shops).toBeLessThan(1 / 15);
});

test('what was meant as nothing tells no share', () => {
  expect(
    shares([
      { said: 0, came: 0.1 },
      { said: 0.5, came: 0.6 },
    ]),
  ).toEqual([expect.closeTo(0.2, 9)]);
});

test.each([
  [0.95, 0.08],
  [1, 0.05],
  [1.05, 0.06],
  [1.1, 0.12],
])(
  'a shop that comes out at %f ± %f goes past the whole in about five of a hundred first cuts at its share',
  (mean, spread) => {
    const random = seeded(11);
    let [past, cuts] = [0, 0];
    for (let shop = 0; shop < 400; shop++) {
      const share = firstCutShare(cutsOf(random, ENOUGH_CUTS + Math.floor(30 * random()), mean, spread)) ?? 0;
      for (let i = 0; i < 25; i++) {
        cuts += 1;
        if (share * (mean + spread * normal(random)) > 1) past += 1;
      }
    }
    const rate = past / cuts;
    // Rounded down to the per cent, it errs to the safe side; a shop that falls short is held at the most there is.
    expect(rate).toBeLessThan(0.065);
    if (mean >= 1) expect(rate).toBeGreaterThan(0.025);
  },
);

test('too few cuts propose no share; more spread never proposes more', () => {
  const random = seeded(3);
  expect(firstCutShare(cutsOf(random, ENOUGH_CUTS - 1, 1, 0.05))).toBeNull();
  const noise = Array.from({ length: 20 }, () => normal(random));
  const at = (spread: number) => firstCutShare(noise.map((n) => ({ said: 1, came: 1 + spread * n }))) ?? 0;
  for (let s = 0.01; s < 0.3; s += 0.01) expect(at(s + 0.01)).toBeLessThanOrEqual(at(s));
});
