import { findSums } from './find-sums.ts';
import { sayFor, sayResult } from './say.ts';

describe('a sum is found by what one wants to do', () => {
  test.each([
    ['lower the action', 'saddle-height'],
    ['saddle radius', 'saddle-top'],
    ['compensation', 'predicted-intonation'],
    ['fret buzz', 'clearance'],
    ['tighten the truss rod', 'truss-turn'],
    ['nut-slot', 'nut-slot'],
    ['left under', 'slot-floor'],
    ['change gauges', 'string-tension'],
    ['convert', 'length'],
    ['dress', 'fret-level'],
  ])('“%s” finds %s first', (asked, id) => {
    expect(findSums(asked)[0]?.id).toBe(id);
  });

  test('nothing asked shows all, nonsense shows none', () => {
    expect(findSums('  ')).toHaveLength(27);
    expect(findSums('bake a cake')).toEqual([]);
  });
});

describe('results are said in the unit of the bench, with mm beside it', () => {
  test.each([
    ['mm', 0.1553, '0.155 mm'],
    ['mm', -0.0004, '0 mm'],
    ['mm', -1.5, '−1.50 mm'],
    ['64ths', 1.984375, '5/64 (1.98 mm)'],
    ['64ths', 0.2032, '.008 (0.203 mm)'],
    ['64ths', 648, '648.00 mm'],
    ['64ths', 35.5, '35.50 mm'],
    ['32nds', 12, '15.1/32 (12.00 mm)'],
    ['thou', 0.2032, '.008 (0.203 mm)'],
    ['thou', 30, '1.1811 in (30.00 mm)'],
    ['32nds', 1.5875, '2/32 (1.59 mm)'],
    ['in', 1.27, '0.05 in (1.27 mm)'],
  ] as const)('in %s, %d mm is %s', (unit, mm, said) => {
    expect(sayFor(unit).length(mm)).toBe(said);
  });

  test.each([
    [3.14, 'cents', '+3.1 c'],
    [74.25, 'N', '74.3 N'],
    [14.036, 'degrees', '14.04°'],
    [0.000398, 'kg/m', '0.000398 kg/m'],
    [7, 'fret', '7'],
    [-2, 'eighths of a turn', '−2'],
    [1.5451, 'count', '1.545'],
    [true, '', 'yes'],
    [false, '', 'no'],
    [null, 'fret', 'none'],
    ['steeper', '', 'steeper'],
  ])('%j in %s is said %s', (value, unit, said) => {
    expect(sayResult(value, unit, sayFor('mm'))).toBe(said);
  });
});
