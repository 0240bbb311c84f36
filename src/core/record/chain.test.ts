import fc from 'fast-check';
import { canonicalJson, type Json } from './canonical.ts';
import { brokenLinks, differing, previousOf, type ChainedSeal } from './chain.ts';

/** Not a secure digest, but one that tells different texts apart: FNV-1a over 64 bits. */
function digest(text: string): string {
  let h = 0xcbf29ce484222325n;
  for (const c of text) h = ((h ^ BigInt(c.codePointAt(0) ?? 0)) * 0x100000001b3n) & 0xffffffffffffffffn;
  return h.toString(16);
}

function chainOf(contents: readonly Json[]): ChainedSeal[] {
  const chain: ChainedSeal[] = [];
  for (const content of contents) {
    const before = chain.at(-1);
    const record = canonicalJson({ content, ...(before && { previous: before.digest }) });
    chain.push({ record, digest: digest(record) });
  }
  return chain;
}

const contents = fc.array(fc.string({ maxLength: 30 }), { minLength: 1, maxLength: 6 });

test('a chain as it was sealed holds', () => {
  fc.assert(
    fc.property(contents, (some) => {
      expect(brokenLinks(chainOf(some), digest)).toEqual([]);
    }),
  );
});

test('one byte changed anywhere shows, at the seal it was changed in', () => {
  fc.assert(
    fc.property(contents, fc.nat(), fc.nat(), (some, which, where) => {
      const chain = chainOf(some);
      const at = which % chain.length;
      const { record } = chain[at] as ChainedSeal;
      const i = where % record.length;
      const other = record[i] === 'x' ? 'y' : 'x';
      const changed = chain.map((s, n) =>
        n === at ? { ...s, record: `${record.slice(0, i)}${other}${record.slice(i + 1)}` } : s,
      );
      expect(brokenLinks(changed, digest)).toContainEqual({ at, why: 'text' });
    }),
  );
});

test('a seal changed with its own digest shows at the next one; one taken out shows too', () => {
  const chain = chainOf(['a', 'b', 'c']);
  const record = canonicalJson({ content: 'B', previous: chain[0]?.digest ?? '' });
  const forged = chain.map((s, n) => (n === 1 ? { record, digest: digest(record) } : s));
  expect(brokenLinks(forged, digest)).toEqual([{ at: 2, why: 'chain' }]);
  expect(brokenLinks(chain.slice(1), digest)).toEqual([{ at: 0, why: 'chain' }]);
  expect(brokenLinks([chain[0] as ChainedSeal, chain[2] as ChainedSeal], digest)).toEqual([
    { at: 1, why: 'chain' },
  ]);
});

test.each([
  ['{"previous":"abc"}', 'abc'],
  ['{}', null],
  ['{"previous":4}', null],
  ['no record', null],
])('%s names %s', (text, previous) => {
  expect(previousOf(text)).toBe(previous);
});

test('the parts that differ are named', () => {
  expect(differing({ a: 1, b: [1, 2], c: null }, { a: 1, b: [2, 1], d: 'new' })).toEqual(['b', 'd']);
});
