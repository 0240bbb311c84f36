import { formatCents, parseCents } from './parse-cents.ts';

describe('parseCents', () => {
  test.each([
    ['+3', 3],
    ['3', 3],
    ['-2', -2],
    ['−1,5', -1.5],
    ['4 c', 4],
    ['3 cents', 3],
    ['2 flat', -2],
    ['2 sharp', 2],
    ['0', 0],
    ['-0', 0],
  ])('%s is %d', (text, value) => {
    expect(parseCents(text)).toEqual({ ok: true, value });
  });

  test.each(['', 'sharp', '+2 flat', '3/4', '2 mm', '1.2.3'])('%s is refused', (text) => {
    expect(parseCents(text).ok).toBe(false);
  });

  test.each([
    [3, '+3'],
    [-1.46, '−1.5'],
    [0.04, '0'],
  ])('%d is said %s', (value, said) => {
    expect(formatCents(value)).toBe(said);
  });
});
