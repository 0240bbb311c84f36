import { leavesBand, nextMonth, type Forecast } from './forecast.ts';

const DAY = 86_400_000;
const rising =
  (perDay: number, sd: number) =>
  (at: number): Forecast => ({
    at,
    value: 0.2 + (perDay * at) / DAY,
    sd,
    by: { kind: 'year' },
  });
const BAND = { low: 0.1, high: 0.3 };

test('what rises out of its band is told when four chances in five say so, not before', () => {
  // 0.3 at day 50; four of five at day 50 + 0.84 × 0.02 ÷ 0.002.
  const f = leavesBand(rising(0.002, 0.02), BAND, 0);
  expect(f?.at).toBe(60 * DAY);
  expect(leavesBand(rising(-0.002, 0.02), BAND, 0)?.at).toBe(60 * DAY);
});

test('what stays in it, what is too doubtful and what nobody can tell are not told', () => {
  expect(leavesBand(rising(0.0005, 0.02), BAND, 0)).toBeNull();
  expect(leavesBand(rising(0.002, 0.4), BAND, 0)).toBeNull();
  expect(leavesBand(() => null, BAND, 0)).toBeNull();
});

test('the next February is this year’s until its middle', () => {
  expect(nextMonth(Date.UTC(2026, 0, 3), 2)).toBe(Date.UTC(2026, 1, 15));
  expect(nextMonth(Date.UTC(2026, 1, 20), 2)).toBe(Date.UTC(2027, 1, 15));
});
