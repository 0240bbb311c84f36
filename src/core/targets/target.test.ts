import fc from 'fast-check';
import { verdict } from './target.ts';

const BAND = { low: 2, aim: 2.2, high: 3 };

describe('how a reading stands to its band', () => {
  test.each([
    [1.99, 0, 'low'],
    [2, 0, 'edge'],
    [2.0999, 0, 'edge'],
    [2.1, 0, 'in'],
    [2.5, 0, 'in'],
    [2.9, 0, 'in'],
    [2.9001, 0, 'edge'],
    [3, 0, 'edge'],
    [3.01, 0, 'high'],
    // what the gauge cannot tell apart counts as reached
    [1.98, 0.0625, 'edge'],
    [1.9375, 0.0625, 'edge'],
    [1.9, 0.0625, 'low'],
    [3.0625, 0.0625, 'edge'],
    [3.07, 0.0625, 'high'],
  ] as const)('%d with a gauge that tells %d apart is %s', (value, tells, said) => {
    expect(verdict(value, BAND, tells)).toBe(said);
  });

  const number = fc.integer({ min: -400, max: 400 });
  test('mirrored at nothing, what was low is high; a wider band never turns a reading out of it', () => {
    const mirrored = { low: 'high', high: 'low', in: 'in', edge: 'edge' } as const;
    fc.assert(
      fc.property(number, number, fc.nat(300), fc.nat(50), (value, low, width, more) => {
        const band = { low, aim: low, high: low + width };
        const turned = { low: -band.high, aim: -low, high: -low };
        expect(verdict(-value, turned)).toBe(mirrored[verdict(value, band)]);
        const wider = { ...band, low: low - more, high: band.high + more };
        const out = (b: typeof band) => ['low', 'high'].includes(verdict(value, b));
        if (!out(band)) expect(out(wider)).toBe(false);
      }),
    );
  });
});
