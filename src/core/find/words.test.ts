import { beginsNearly, digitsOf, meant, nearlySame, soughtIn, wordsOf } from './words.ts';

test('words without marks, signs and size', () => {
  expect(wordsOf('Wendlow Otter, WO-21008')).toEqual(['wendlow', 'otter', 'wo', '21008']);
  expect(wordsOf('Bélà Ström  ½')).toEqual(['bela', 'strom', '1', '2']);
  expect(wordsOf(' - ')).toEqual([]);
  expect(soughtIn('In the evening, WO-21008')).toEqual(['evening', '21008']);
});

test.each([
  ['tarn', 'tarn', true],
  ['tarn', 'tarm', true],
  ['tarn', 'tar', true],
  ['tarn', 'tarns', true],
  ['tarn', 'tran', true],
  ['aldous', 'adlous', true],
  ['tarn', 'trna', false],
  ['tarn', 'barm', false],
  ['tarn', 'ta', false],
  ['ab', 'ba', true],
])('%s and %s differ by one letter at most: %s', (a, b, same) => {
  expect(nearlySame(a, b)).toBe(same);
  expect(nearlySame(b, a)).toBe(same);
});

/** Every word that is one letter away, written out. */
function neighbours(word: string): Set<string> {
  const all = new Set([word]);
  const letters = 'abc';
  for (let i = 0; i <= word.length; i++) {
    all.add(word.slice(0, i) + word.slice(i + 1));
    for (const l of letters) {
      all.add(word.slice(0, i) + l + word.slice(i));
      if (i < word.length) all.add(word.slice(0, i) + l + word.slice(i + 1));
    }
    if (i + 1 < word.length)
      all.add(word.slice(0, i) + (word[i + 1] ?? '') + (word[i] ?? '') + word.slice(i + 2));
  }
  return all;
}

test('the same as writing every neighbour out, over all short words of three letters', () => {
  const words = [''];
  for (let n = 0; n < 4; n++)
    words.push(...words.filter((w) => w.length === n).flatMap((w) => ['a', 'b', 'c'].map((l) => w + l)));
  for (const a of words) {
    const near = neighbours(a);
    for (const b of words) expect([a, b, nearlySame(a, b)]).toEqual([a, b, near.has(b)]);
  }
});

test('a word that is being typed is its begin, with a letter wrong', () => {
  expect(beginsNearly('wendlow', 'wndlo')).toBe(true);
  expect(beginsNearly('wendlow', 'wendi')).toBe(true);
  expect(beginsNearly('wendlow', 'marl')).toBe(false);
});

test('what was meant: whole words before begun ones, the frequent before the rare, nothing for three letters', () => {
  const known = new Map([
    ['tarn', 3],
    ['tarnow', 9],
    ['barn', 5],
    ['marlow', 2],
  ]);
  expect(meant('tarm', known)).toEqual(['tarn']);
  expect(meant('xarn', known)).toEqual(['barn', 'tarn']);
  expect(meant('marlw', known)).toEqual(['marlow']);
  expect(meant('tar', known)).toEqual([]);
  expect(meant('quartz', known)).toEqual([]);
});

test.each([
  ['555 0101', '5550101'],
  ['+49 (30) 1234-5', '4930' + '12345'],
  ['412', null],
  ['WO-21008', null],
  ['', null],
])('%s as a telephone number: %s', (text, digits) => {
  expect(digitsOf(text)).toBe(digits);
});
