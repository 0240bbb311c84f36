import fc from 'fast-check';
import { formatLength } from './format-length.ts';
import { LENGTH_UNITS } from './length-units.ts';
import { wordsIn } from './words-in.ts';

test('every length in the words is said in the unit, with its sign; whole millimetres stay', () => {
  expect(wordsIn('bass +0.40 mm, treble −0.10 mm', 'thou')).toBe('bass +.016, treble −.004');
  expect(wordsIn('0.40 mm down at the bass, 0.00 mm up at the treble', 'thou')).toBe(
    '.016 down at the bass, .000 up at the treble',
  );
  expect(wordsIn('scale 648 mm, 0.4 mm, 12.345 mm, 0.40 mmm', 'thou')).toBe(
    'scale 648 mm, 0.4 mm, 12.345 mm, 0.40 mmm',
  );
});

test('words without a length, and any words in mm, are as they were; a length stands where it stood', () => {
  fc.assert(
    fc.property(fc.string(), fc.integer({ min: 0, max: 9999 }), (words, hundredths) => {
      expect(wordsIn(words, 'mm')).toBe(words);
      const mm = hundredths / 100;
      for (const unit of LENGTH_UNITS)
        expect(wordsIn(`off by ${formatLength(mm, 'mm')}, then`, unit)).toBe(
          `off by ${formatLength(mm, unit)}, then`,
        );
    }),
  );
});
