import { describe, expect, test } from 'vitest';
import { SORT_IDS } from '../../core/stock/sorts.ts';
import { readSheet } from './spreadsheet.ts';
import { FACT_LABELS, guessStockColumns, STOCK_FIELDS, stockContent } from './stock-file.ts';

const SHOP = {
  money: 'XXX',
  rates: [
    { id: 'usual', name: 'Tax', rate: 0.2 },
    { id: 'low', name: 'Reduced', rate: 0.07 },
  ],
} as const;

/** What a list comes to with its columns as they are guessed. */
function read(lines: readonly string[]) {
  const sheet = readSheet(lines.join('\r\n'));
  if (!sheet.ok) throw new Error(sheet.error);
  return stockContent(sheet.value, guessStockColumns(sheet.value.head), 'own', SHOP);
}

describe('columns', () => {
  test('are known by what they are called here, by their ids, and by what lists usually call them', () => {
    const fields = Object.keys(STOCK_FIELDS);
    const by = (heads: readonly string[]) => Object.keys(guessStockColumns(heads)).sort();
    expect(by(fields)).toEqual([...fields].sort());
    expect(by(Object.values(STOCK_FIELDS))).toEqual([...fields].sort());
    expect(guessStockColumns(['SKU', 'Description', 'Qty', 'Vendor', 'Location'])).toEqual({
      code: 0,
      name: 1,
      there: 2,
      supplier: 3,
      place: 4,
    });
    expect(guessStockColumns(['colour', 'mood'])).toEqual({});
  });

  test('every fact of every sort has one', () => {
    expect(Object.keys(FACT_LABELS).length).toBeGreaterThan(10);
    for (const f of Object.keys(FACT_LABELS)) expect(STOCK_FIELDS[f]).toBe(FACT_LABELS[f]);
  });
});

describe('rows', () => {
  test('of any sort, with what is known of them', () => {
    const { entries, wrong } = read([
      'name;sort;strings;crown;wide;qty;cost;tax',
      'Light;set of strings;12p 10p;;;4;6,20;reduced',
      'Wire;fret-wire;;1.1 mm;2.3;2.5;;',
      'Felt;;;;;30;;',
    ]);
    expect(wrong).toEqual([]);
    expect(entries.map((e) => [e.sort, e.there, e.tax])).toEqual([
      ['string-set', 4, 'low'],
      ['fret-wire', 2.5, null],
      ['own', 30, null],
    ]);
    expect(entries[0]?.facts).toEqual({ strings: '12p 10p', wrap: '', shared: '' });
    for (const e of entries) expect(SORT_IDS).toContain(e.sort);
  });

  test.each([
    ['it has no name', ';own;1;;'],
    ['is nothing the shelves know', 'A;banana;1;;'],
    ['without it nobody can say what it fits', 'A;Set of strings;1;;'],
    ['“many” is no number', 'A;own;many;;'],
    ['is no rate of tax of this shop', 'A;own;1;luxury;'],
    ['the code 7 stands in it twice', 'B;own;1;;7'],
  ])('%s', (why, row) => {
    const { entries, wrong } = read(['name;sort;qty;tax;code', 'First;own;1;;7', row]);
    expect(entries.map((e) => e.name)).toEqual(['First']);
    expect(wrong).toMatchObject([{ line: 3 }]);
    expect(wrong[0]?.why.toLowerCase()).toContain(why.toLowerCase());
  });
});
