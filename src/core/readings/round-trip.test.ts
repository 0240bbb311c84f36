/** Whatever is printed is read back to the same value, in every unit. */
import fc from 'fast-check';
import { readEntry, sayEntry, withUnits } from './entry.ts';
import { QUANTITIES, QUANTITY_FACTS } from './quantities.ts';
import { formatLength } from '../units/format-length.ts';
import { LENGTH_UNITS, MM_PER, type LengthUnit } from '../units/length-units.ts';
import { bareUnit } from '../units/bare-unit.ts';
import { parseLength } from '../units/parse-length.ts';

const unit = fc.constantFrom(...LENGTH_UNITS);
/** Half of the last digit that is printed, mm. */
const LAST: Readonly<Record<LengthUnit, number>> = {
  mm: 0.005,
  in: 0.00005 * 25.4,
  thou: 0.0005 * 25.4,
  '64ths': 0.051 * MM_PER['64ths'],
  '32nds': 0.051 * MM_PER['32nds'],
};

test('a length that was printed is read back in its own field, and printed the same again', () => {
  fc.assert(
    fc.property(fc.double({ min: -60, max: 700, noNaN: true }), unit, (mm, u) => {
      const said = formatLength(mm, u);
      const read = parseLength(said, bareUnit(said, u));
      expect([said, read.ok]).toEqual([said, true]);
      if (!read.ok) return;
      expect(Math.abs(read.value.mm - mm)).toBeLessThanOrEqual(LAST[u] + 1e-9);
      expect(formatLength(read.value.mm, u)).toBe(said);
    }),
    { numRuns: 3000 },
  );
});

test('so is every quantity, whichever unit the field counts in', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...QUANTITIES),
      unit,
      fc.double({ min: 0, max: 1, noNaN: true }),
      (q, u, share) => {
        const [low, high] = QUANTITY_FACTS[q].plausible;
        const said = sayEntry(low + share * (high - low), q, u);
        const read = readEntry(said, q, u);
        expect([q, said, read.ok]).toEqual([q, said, true]);
        if (read.ok) expect(sayEntry(read.value.value, q, u)).toBe(said);
      },
    ),
    { numRuns: 3000 },
  );
});

test.each([
  ['−.002', 'thou', -0.002 * 25.4],
  ['- .002', 'thou', -0.002 * 25.4],
  ['–.002', '64ths', -0.002 * 25.4],
  ['7½/64', '64ths', (7.5 / 64) * 25.4],
  ['7½/64', 'mm', (7.5 / 64) * 25.4],
  ['½/64', '64ths', (0.5 / 64) * 25.4],
  ['−½/64', '64ths', (-0.5 / 64) * 25.4],
  ['4 1/2/64', '64ths', (4.5 / 64) * 25.4],
  ['4-1/2/32', 'mm', (4.5 / 32) * 25.4],
  ['5 mm.', '64ths', 5],
  ['5/64ths', 'mm', (5 / 64) * 25.4],
  ['3/32nds', '64ths', (3 / 32) * 25.4],
  ['8 thou.', 'mm', 0.2032],
  ['0.5 in.', 'mm', 12.7],
] as const)('%s in a %s field is %d mm', (text, field, mm) => {
  const read = readEntry(text, 'action', field);
  expect(read.ok && read.value.value).toBeCloseTo(mm, 9);
});

test.each([
  ['5-6', '64ths', 5, 6, '64ths'],
  ['5–6½', '64ths', 5, 6.5, '64ths'],
  ['5½–6½', '64ths', 5.5, 6.5, '64ths'],
  ['.006–.010', 'thou', 6, 10, 'thou'],
  ['5/64-6/64', 'mm', 5, 6, '64ths'],
  ['5-6/64', 'mm', 5, 6, '64ths'],
  ['2.1 - 2.3 mm', '64ths', 2.1, 2.3, 'mm'],
  ['8-10 thou', 'mm', 8, 10, 'thou'],
] as const)('%s in a %s field is from %d to %d', (text, field, low, high, u) => {
  const read = readEntry(text, 'action', field);
  expect(read.ok && read.value.spread).toMatchObject({ kind: 'range' });
  expect(read.ok && read.value.value / MM_PER[u]).toBeCloseTo((low + high) / 2, 9);
});

test.each([
  ['1-3/8 in', 1.375 * 25.4],
  ['1-1/16 in', 1.0625 * 25.4],
])('%s is one number', (text, mm) => {
  const read = readEntry(text, 'height-over-top', 'mm');
  expect(read.ok && [read.value.value, read.value.spread]).toEqual([mm, null]);
});

test('a kept text means in any field what it meant in its own', () => {
  const bare = fc.constantFrom(
    '5',
    '−.002',
    '- .002',
    '.078',
    '5 to 6',
    '4.0; 4.2; 4.1',
    '5-6',
    '5½',
    '7½/64',
    '2,1',
    'just clicks',
    '5 mm.',
  );
  fc.assert(
    fc.property(bare, unit, unit, (text, from, to) => {
      const was = readEntry(text, 'relief', from);
      const kept = readEntry(withUnits(text, 'relief', from), 'relief', to);
      if (!was.ok) return;
      expect([text, from, to, kept.ok]).toEqual([text, from, to, true]);
      if (kept.ok) expect(kept.value.value).toBeCloseTo(was.value.value, 9);
    }),
    { numRuns: 500 },
  );
});
