import { isDue, upkeepState } from './upkeep-state.ts';

const HOUR = 3_600_000;
const night = Date.UTC(2026, 10, 27, 2, 30);

test('the newest run says how it stands', () => {
  expect(upkeepState([], night)).toBe('never');
  const good = { endedAt: night, good: true };
  expect(upkeepState([good], night + 35 * HOUR)).toBe('fresh');
  expect(upkeepState([good], night + 37 * HOUR)).toBe('old');
  expect(upkeepState([good, { endedAt: night + HOUR, good: false }], night + 2 * HOUR)).toBe('failed');
  expect(upkeepState([{ endedAt: night - HOUR, good: false }, good], night)).toBe('fresh');
});

test('once a night, also by day where the machine was off; what failed waits an hour', () => {
  expect(isDue(null, night, null, night)).toBe(true);
  expect(isDue(night - 24 * HOUR, night, null, night + 1)).toBe(true);
  expect(isDue(night + HOUR, night, night + HOUR, night + 2 * HOUR)).toBe(false);
  expect(isDue(night - 24 * HOUR, night, night + HOUR, night + HOUR * 1.5)).toBe(false);
  expect(isDue(night - 24 * HOUR, night, night + HOUR, night + HOUR * 2.1)).toBe(true);
});

test('a clock that was put back makes a copy rather than none', () => {
  expect(isDue(night + 999 * HOUR, night, night + 999 * HOUR, night + HOUR)).toBe(true);
});
