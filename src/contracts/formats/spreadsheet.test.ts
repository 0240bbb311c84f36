import { usualConstruction } from '../../core/instrument/defaults.ts';
import { KIND_NAMES, KINDS } from '../../core/instrument/kinds.ts';
import { decodeSheet, guessColumns, readSheet, sheetContent, type Columns } from './spreadsheet.ts';

const kinds = KINDS.map((id) => ({
  id,
  name: KIND_NAMES[id],
  usual: usualConstruction(id),
  own: false,
  retired: false,
  version: 0,
}));
const read = (text: string, columns?: Columns, usual = 'steel-acoustic') => {
  const sheet = readSheet(text);
  if (!sheet.ok) throw new Error(sheet.error);
  return sheetContent(sheet.value, columns ?? guessColumns(sheet.value.head), kinds, usual);
};

const LIST = `Owner;Mobile;E-mail;Brand;Model;Serial no.;Type
Petra Aldous;555 0101;petra@example.invalid;Wendlow;Otter;WO-1;
Petra Aldous;555 0101;petra@example.invalid;Marl;Deep Four;MD-2;Bass
;555 0102;;Wendlow;Heron;;
Corin Ashby;by post;;Wendlow;Heron;;
Wren Hollis;;wren at home;;;;
Runa Eskelow;;;Marl;Pebble;;Harp

Tove Lind;;;;;;
`;

test('columns are found by what they are usually called; good rows are taken, the others said with their line and why', () => {
  const { customers, instruments, wrong } = read(LIST);
  expect(customers.map((c) => c.name)).toEqual(['Petra Aldous', 'Tove Lind']);
  expect(instruments.map((i) => [i.customer, i.model, i.kind, i.serial])).toEqual([
    ['Petra Aldous', 'Otter', 'steel-acoustic', 'WO-1'],
    ['Petra Aldous', 'Deep Four', 'bass', 'MD-2'],
  ]);
  expect(wrong.map((w) => [w.line, w.why])).toEqual([
    [4, 'there is no name of a customer'],
    [5, '“by post” is not a telephone number'],
    [6, '“wren at home” is not an e-mail address'],
    [7, '“Harp” is no kind of instrument the shop knows'],
  ]);
});

test('columns matched by hand, in any order, with commas or tabs, a scale in inches', () => {
  const text = 'a\tb\tc\n650\tHeron\tCorin\n25.5 in\tOtter\tCorin\nlong\tX\tCorin\n';
  const { instruments, wrong } = read(text, { scale: 0, model: 1, name: 2 }, 'solid-electric');
  expect(instruments.map((i) => [i.model, Math.round(i.construction.scale * 10) / 10])).toEqual([
    ['Heron', 650],
    ['Otter', 647.7],
  ]);
  expect(instruments[0]?.construction.kind).toBe('solid-electric');
  expect(wrong).toEqual([{ line: 4, why: '“long” is no scale length' }]);
  expect(guessColumns(['Telephone', 'Mail', 'Mobile'])).toEqual({ phone: 0, email: 1 });
});

test('an instrument without a model has no name; a customer of two instruments stands in the book once', () => {
  const { customers, instruments } = read('name,serial\nPetra,A1\nPetra,A2\n');
  expect([customers.length, instruments.map((i) => i.model)]).toEqual([1, ['no name', 'no name']]);
});

test.each([
  ['', /names no columns/],
  ['name,phone\n', /no entry/],
  [' , ,\nx,y,z\n', /names no columns/],
])('%j is refused with words', (text, why) => {
  expect(readSheet(text)).toMatchObject({ ok: false, error: expect.stringMatching(why) as string });
});

test('letters of older spreadsheets are read', () => {
  expect(decodeSheet(new Uint8Array([0x4d, 0xfc, 0x6c]))).toBe('Mül');
  expect(decodeSheet(new TextEncoder().encode('Müller ✓'))).toBe('Müller ✓');
});

test('more letters than the book keeps are said', () => {
  expect(read(`name\n${'x'.repeat(121)}\n`).wrong[0]?.why).toContain('longer than 120');
});
