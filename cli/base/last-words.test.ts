import { LastWords } from './last-words.ts';

const after = (...chunks: readonly string[]): LastWords => {
  const words = new LastWords();
  for (const c of chunks) words.add(c);
  return words;
};

test('a test that failed is named with its error, whatever came between and however it was cut', () => {
  const words = after(
    ' ✓ tests/a.test.ts (3 tests)\n FA',
    'IL  tests/integration/week.test.ts > a put that nobody may do\nAssertionError: expected 1 to be 2\n',
    '\u001b[31m FAIL \u001b[39m tests/b.test.ts > other\n',
    ' FAIL  tests/integration/week.test.ts > a put that nobody may do\n',
  );
  expect(words.named()).toEqual([
    'FAIL  tests/integration/week.test.ts > a put that nobody may do',
    'AssertionError: expected 1 to be 2',
    'FAIL  tests/b.test.ts > other',
  ]);
});

test.each([
  '  1) tests/e2e/week.spec.ts:20:1 › the board',
  '  ✘  12 tests/e2e/week.spec.ts:20:1 › the board (2.0s)',
  '⎯⎯⎯⎯ Unhandled Errors ⎯⎯⎯⎯',
  'src/core/a.ts(12,3): error TS2345: no',
  'FAIL types (3.0 s)',
])('named: %s', (line) => expect(after(`ok\n${line}\n`).named()).toEqual([line.trim()]));

test.each(['    Expected: 2', '    Received:   [1, 2]', '    Received string: "x"'])(
  'what was expected and what came instead: %s',
  (line) => expect(after(`${line}\n`).named()).toEqual([line.trim()]),
);

test('a browser test that failed at its first try is known, whatever came of it', () => {
  const words = after(
    '  ✘  3 tests/e2e/a.spec.ts:1:1 › one (2.0s)\n  ✓  4 tests/e2e/a.spec.ts:1:1 › one (retry #1) (1.0s)\n',
  );
  expect(words.failedOnce()).toEqual(['✘  3 tests/e2e/a.spec.ts:1:1 › one (2.0s)']);
});

test('what passed names nothing', () => {
  expect(after('  ✓  1 tests/e2e/a.spec.ts:3:1 › an Error: shown in words\nok types\n').named()).toEqual([]);
});

test('the end stays when much was said', () => {
  const words = after('x\n'.repeat(200_000), 'the last\n');
  expect(words.tail(1)).toBe('the last');
  expect(words.tail().split('\n')).toHaveLength(60);
});
