import { normal } from '../sound/pluck-for-tests.ts';
import { seeded } from '../seeded.ts';
import {
  learnedFrom,
  nineOfTen,
  NOTHING_TOLD,
  sumsOf,
  together,
  toldBy,
  type Act,
  type ActSums,
  type TradeNumber,
} from './response.ts';

const TRADE: TradeNumber = { value: 0.05, kinds: 0.018, instruments: 0.024, scatter: 0.005 };
const READ = 0.02 ** 2;
const NOTHING = sumsOf([], TRADE);
const told = (all: readonly ActSums[]) =>
  all.map((s) => toldBy(s, TRADE)).reduce((a, b) => together(a, b), NOTHING_TOLD);

/** A made-up shop: a kind with its truth, its instruments with theirs, and acts of each as they would be read. */
function shop(random: () => number, instruments: number, acts: (i: number) => number) {
  const gauss = normal(random);
  const kind = TRADE.value + TRADE.kinds * gauss();
  return Array.from({ length: instruments }, (_, i) => {
    const truth = kind + TRADE.instruments * gauss();
    const made = Array.from({ length: acts(i) }, (): Act => {
      const by = (random() < 0.5 ? -1 : 1) * (0.5 + 1.5 * random());
      const gave = truth * by + Math.sqrt(READ + TRADE.scatter ** 2) * gauss();
      return { by, gave, variance: READ };
    });
    return { truth, acts: made };
  });
}

test('nothing read yet: the trade’s number, with how far kinds and instruments differ', () => {
  const learned = learnedFrom(TRADE, NOTHING, NOTHING_TOLD);
  expect(learned).toMatchObject({ value: 0.05, own: 0, others: { instruments: 0, acts: 0 } });
  expect(learned.sd).toBeCloseTo(Math.hypot(TRADE.kinds, TRADE.instruments), 12);
});

test('many acts of its own outweigh everything; what changed nothing tells nothing', () => {
  const acts = Array.from({ length: 400 }, (): Act => ({ by: 1, gave: 0.09, variance: READ }));
  expect(learnedFrom(TRADE, sumsOf(acts, TRADE), NOTHING_TOLD).value).toBeCloseTo(0.09, 2);
  expect(sumsOf([{ by: 0, gave: 5, variance: READ }], TRADE)).toEqual({ weight: 0, pull: 0, acts: 0 });
});

test('the same as conditioning the joint distribution of kind, instruments and acts', () => {
  const [own, a, b]: Act[][] = [
    [
      { by: 1, gave: 0.07, variance: READ },
      { by: -2, gave: -0.1, variance: 2 * READ },
    ],
    [{ by: 2, gave: 0.06, variance: READ }],
    [{ by: 1, gave: 0.02, variance: READ }],
  ];
  const sums = [own, a, b].map((acts) => sumsOf(acts ?? [], TRADE));
  const said = learnedFrom(TRADE, sums[0] ?? NOTHING, told(sums.slice(1)));
  // Unknowns: the kind's value and each instrument's; precision matrix of the joint, solved by elimination.
  const [t, k] = [1 / TRADE.instruments ** 2, 1 / TRADE.kinds ** 2];
  const rows = [
    [k + 3 * t, -t, -t, -t, k * TRADE.value],
    ...sums.map((s, i) => [-t, ...[0, 1, 2].map((j) => (i === j ? t + s.weight : 0)), s.pull]),
  ];
  for (let i = 0; i < 4; i++)
    for (let r = 0; r < 4; r++) {
      if (r === i) continue;
      const f = (rows[r]?.[i] ?? 0) / (rows[i]?.[i] ?? 1);
      rows[r] = (rows[r] ?? []).map((x, c) => x - f * (rows[i]?.[c] ?? 0));
    }
  expect(said.value).toBeCloseTo((rows[1]?.[4] ?? 0) / (rows[1]?.[1] ?? 1), 12);
});

test('nine of ten: the truth of made-up shops lies between in 87 to 93 of a hundred', () => {
  const random = seeded(12);
  let [within, all] = [0, 0];
  for (let s = 0; s < 600; s++) {
    const made = shop(random, 6, (i) => (i + s) % 5);
    const sums = made.map((m) => sumsOf(m.acts, TRADE));
    for (const [i, { truth }] of made.entries()) {
      const [low, high] = nineOfTen(
        learnedFrom(TRADE, sums[i] ?? NOTHING, told(sums.filter((_, j) => j !== i))),
      );
      if (truth >= low && truth <= high) within++;
      all++;
    }
  }
  expect(within / all).toBeGreaterThan(0.87);
  expect(within / all).toBeLessThan(0.93);
});

test('after three logged acts it is nearer the truth than the trade’s number', () => {
  const random = seeded(5);
  let [trade, learned] = [0, 0];
  for (let s = 0; s < 300; s++) {
    const [one, ...others] = shop(random, 4, () => 3);
    if (!one) continue;
    const sums = others.map((o) => sumsOf(o.acts, TRADE));
    trade += (TRADE.value - one.truth) ** 2;
    learned += (learnedFrom(TRADE, sumsOf(one.acts, TRADE), told(sums)).value - one.truth) ** 2;
  }
  expect(learned).toBeLessThan(0.35 * trade);
});

test('what is told without one instrument is what the others tell', () => {
  const sums = shop(seeded(3), 5, (i) => i).map((m) => sumsOf(m.acts, TRADE));
  const [one = NOTHING, ...others] = sums;
  for (const s of [one, ...others.slice(0, 1)]) {
    const left = together(told(sums), toldBy(s, TRADE), -1);
    const without = told(sums.filter((x) => x !== s));
    expect(left.weight).toBeCloseTo(without.weight, 9);
    expect(left.pull).toBeCloseTo(without.pull, 9);
    expect([left.instruments, left.acts]).toEqual([without.instruments, without.acts]);
  }
});
