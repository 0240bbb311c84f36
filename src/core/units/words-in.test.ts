import fc from 'fast-check';
import { formatLength } from './format-length.ts';
import { DISPLAY_UNITS } from './length-units.ts';
import { allWordsIn, bandWords, heightChangeWords, heightWords, sizeWords, wordsIn } from './words-in.ts';

test('a size is read in thousandths, a height in 64ths, by who reads those; both in mm by who reads mm', () => {
  const words = `Relief ${sizeWords(0.5588)}, action ${heightWords(1.984375)}, ${heightChangeWords(1.19)} down.`;
  expect(wordsIn(words, '64ths')).toBe('Relief .022, action 5/64, 3/64 (1.19 mm) down.');
  expect(wordsIn(words, 'thou')).toBe('Relief .022, action .078, .047 down.');
  expect(wordsIn(words, 'mm')).toBe('Relief 0.56 mm, action 1.98 mm, 1.19 mm down.');
});

test('words that nobody translates are as true', () => {
  expect(`${sizeWords(-0.1016)}, ${heightWords(2.4)}`).toBe('−0.102 mm, 2.4000 mm');
  expect([sizeWords(-0.0001), sizeWords(-0), heightWords(0)]).toEqual(['0.000 mm', '0.000 mm', '0.0000 mm']);
});

test('a band says its unit once; from under nothing it is said in words', () => {
  const band = { low: 0.3556, high: 0.508 };
  expect(DISPLAY_UNITS.map((u) => wordsIn(bandWords(band, sizeWords), u))).toEqual([
    '.014–.020',
    '.014–.020',
    '0.36–0.51 mm',
  ]);
  const back = bandWords({ low: -0.1, high: 0.1 }, sizeWords);
  expect([wordsIn(back, 'mm'), wordsIn(back, 'thou')]).toEqual(['−0.10 mm to 0.10 mm', '−.004 to .004']);
});

test('what a person wrote, whole millimetres and other numbers stay as they are', () => {
  const own = 'scale 648 mm, 0.4 mm, 0.40 mm off, 2.25 mm high, 12.34567 mm, .105w, 0.400 mmm';
  for (const unit of DISPLAY_UNITS) expect(wordsIn(own, unit)).toBe(own);
});

test('every length is said as it would be said by itself, where it stood', () => {
  const mm = fc.integer({ min: -99_999, max: 99_999 }).map((n) => n / 10_000);
  fc.assert(
    fc.property(mm, (v) => {
      for (const unit of DISPLAY_UNITS) {
        const small = unit === '64ths' ? 'thou' : unit;
        const near = (written: number) => Number(written.toFixed(3));
        expect(wordsIn(`off by ${sizeWords(v)}, then`, unit)).toBe(
          `off by ${formatLength(near(Math.abs(v)) * Math.sign(v), small)}, then`,
        );
        expect(wordsIn(`${heightWords(v)}; ${heightChangeWords(v)}.`, unit)).toBe(
          `${formatLength(v, unit)}; ${formatLength(v, unit)}${unit === '64ths' ? ` (${formatLength(v, 'mm')})` : ''}.`,
        );
      }
    }),
  );
});

test('every text within a value is said in the unit; its shape, numbers and names stay', () => {
  const value = { says: sizeWords(0.254), all: [{ why: heightWords(1.984375), amount: 0.254 }, null, true] };
  expect(allWordsIn(value, '64ths')).toEqual({
    says: '.010',
    all: [{ why: '5/64', amount: 0.254 }, null, true],
  });
});
