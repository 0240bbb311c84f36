import fc from 'fast-check';
import { atMost, reliability } from './reliability.ts';

const choose = (n: number, k: number): number => (k === 0 ? 1 : (choose(n - 1, k - 1) * n) / k);

test('the tail of the binomial is its sum', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 20 }), fc.double({ min: 0.01, max: 0.99, noNaN: true }), (n, p) => {
      for (let held = 0; held <= n; held++) {
        let sum = 0;
        for (let k = 0; k <= held; k++) sum += choose(n, k) * p ** k * (1 - p) ** (n - k);
        expect(atMost(held, n, p)).toBeCloseTo(sum, 9);
      }
    }),
  );
  expect([atMost(-1, 5, 0.5), atMost(5, 5, 0.5), atMost(2, 5, 0), atMost(2, 5, 1)]).toEqual([0, 1, 1, 0]);
});

test('promises are counted with those said to be about as likely', () => {
  const made = (chance: number, held: boolean) => ({
    day: '2026-12-10',
    chance,
    ready: held ? '2026-12-10' : '2026-12-11',
  });
  const found = reliability([
    made(0.5, true),
    made(0.5, false),
    made(0.8, true),
    made(0.82, true),
    made(0.95, false),
  ]);
  expect(found.map((r) => [Number(r.said.toFixed(2)), r.count, r.held, r.off])).toEqual([
    [0.5, 2, 1, null],
    [0.81, 2, 2, null],
    [0.95, 1, 0, null],
  ]);
  expect(reliability([])).toEqual([]);
});

test('what holds far less often than was said is told', () => {
  const many = Array.from({ length: 30 }, (_, i) => ({
    day: '2026-12-10',
    chance: 0.8,
    ready: i < 15 ? '2026-12-09' : '2026-12-20',
  }));
  expect(reliability(many)).toMatchObject([{ count: 30, held: 15, off: 'fewer' }]);
});
