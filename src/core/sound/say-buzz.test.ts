import { buzzes, keptBuzz, sayBuzz } from './say-buzz.ts';

test('what is said stands on the side it was heard on, and within a hundredth', () => {
  for (let i = 0; i <= 1000; i++) {
    const amount = i / 1000;
    expect(buzzes(Number(sayBuzz(amount))), `${amount}`).toBe(buzzes(amount));
    expect(Math.abs(keptBuzz(amount) - amount), `${amount}`).toBeLessThan(0.01);
  }
  expect([0, 0.494, 0.499, 0.5, 0.934, 1].map(sayBuzz)).toEqual([
    '0.00',
    '0.49',
    '0.49',
    '0.50',
    '0.93',
    '1.00',
  ]);
});
