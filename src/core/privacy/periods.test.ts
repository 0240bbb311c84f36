import { overSince } from './periods.ts';

test.each([
  [Date.UTC(2026, 10, 27, 9), 1, null, Date.UTC(2025, 10, 27, 9)],
  [Date.UTC(2026, 2, 31), null, 1, Date.UTC(2026, 1, 28)],
  [Date.UTC(2024, 1, 29), 1, null, Date.UTC(2023, 1, 28)],
  [Date.UTC(2026, 0, 15), null, 13, Date.UTC(2024, 11, 15)],
])('%s less %s years and %s months', (now, years, months, since) => {
  expect(overSince(now, years, months)).toBe(since);
});

test('for good is never over', () => {
  expect(overSince(0, null, null)).toBeNull();
});
