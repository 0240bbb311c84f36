import fc from 'fast-check';
import { usualConstruction } from '../../core/instrument/defaults.ts';
import { KINDS } from '../../core/instrument/kinds.ts';
import {
  guarded,
  readCustomersCsv,
  readVcards,
  toCustomersCsv,
  toVcards,
  unguarded,
  type CustomerEntry,
} from './customers.ts';
import { readInstrumentsCsv, toInstrumentsCsv, type InstrumentEntry } from './instruments.ts';

const word = fc.string({ unit: fc.constantFrom(...'aäéŁ 漢",;:\\\n\'='), minLength: 1, maxLength: 30 });
const name = word.map((w) => `x${w}y`.replace(/\s+/g, ' ').trim());
const customer: fc.Arbitrary<CustomerEntry> = fc.record({
  name,
  phone: fc.constantFrom('', '555 0101', '+43 (0)1 555-12', '555/0101'),
  email: fc.constantFrom('', 'petra@aldous.example', 'o.f@x.example'),
});

test('customers come back from vCards and from CSV just so, whatever stands in their names', () => {
  fc.assert(
    fc.property(fc.array(customer, { minLength: 1, maxLength: 6 }), (all) => {
      expect(readVcards(toVcards(all))).toEqual({ ok: true, value: all });
      expect(readCustomersCsv(toCustomersCsv(all))).toEqual({ ok: true, value: all });
    }),
  );
});

test('a vCard says its version and breaks its lines as the standard wants', () => {
  const text = toVcards([{ name: 'Petra Aldous', phone: '555 0101', email: 'p@x.example' }]);
  expect(text).toBe(
    'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Petra Aldous\r\nTEL:555 0101\r\nEMAIL:p@x.example\r\nEND:VCARD\r\n',
  );
  const long = toVcards([{ name: 'ä'.repeat(110), phone: '', email: '' }]);
  expect(long.split('\r\n').every((l) => Buffer.byteLength(l) <= 75)).toBe(true);
});

test('a card of another program: version 3, an address as URI, a name in parts, things nobody asked for', () => {
  const text =
    'BEGIN:VCARD\r\nVERSION:3.0\r\nN:Aldous;Petra;;;\r\nitem1.TEL;TYPE=CELL:tel:+1-555-0101\r\nTEL:999\r\n' +
    'EMAIL:mailto:p@x.example\r\nPHOTO;ENCODING=b;TYPE=JPEG:AAAA\r\nEND:VCARD\r\n';
  expect(readVcards(text)).toEqual({
    ok: true,
    value: [{ name: 'Petra Aldous', phone: '+1-555-0101', email: 'p@x.example' }],
  });
});

test.each([
  ['nothing', '', /no file of vCards/],
  ['a text', 'hello', /no file of vCards/],
  ['a card that does not end', 'BEGIN:VCARD\r\nFN:x\r\n', /did not end/],
  ['a calendar', 'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nEND:VCALENDAR\r\n', /no file of vCards/],
  [
    'a card without a name',
    'BEGIN:VCARD\r\nVERSION:4.0\r\nTEL:5\r\nEND:VCARD\r\n',
    /Card 1: there is no name/,
  ],
  [
    'a telephone of letters',
    'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:x\r\nTEL:<b>\r\nEND:VCARD\r\n',
    /is not a telephone number/,
  ],
])('vCards: %s is refused with the reason', (_, text, says) => {
  const read = readVcards(text);
  expect(read.ok ? 'read' : read.error).toMatch(says);
});

test.each([
  ['no head', 'Petra,555\r\n', /names no column “name”/],
  ['a column short', 'name,phone\r\nPetra,5\r\n', /names no column “email”/],
  ['a field short', 'name,phone,email\r\nA,1,\r\nPetra\r\n', /Line 3/],
  ['a quotation mark open', 'name,phone,email\r\n"Petra,5,\r\n', /Line 2/],
  ['nobody', 'name,phone,email\r\n', /no entry/],
  ['no name', 'name,phone,email\r\nA,,\r\n,5,\r\n', /Line 3: there is no name/],
  ['no address', 'name,phone,email\r\nA,,nobody\r\n', /Line 2: “nobody” is not an e-mail/],
])('CSV: %s is refused with its line', (_, text, says) => {
  const read = readCustomersCsv(text);
  expect(read.ok ? 'read' : read.error).toMatch(says);
});

test('columns in another order and case, with a mark at the beginning, are read', () => {
  expect(readCustomersCsv('\uFEFFEmail,NAME,Phone,Age\n,Petra,555,9\n')).toEqual({
    ok: true,
    value: [{ name: 'Petra', phone: '555', email: '' }],
  });
});

test.each([
  ['=1+1', "'=1+1"],
  ['+43', "'+43"],
  ["'quoted", "''quoted"],
  ['plain', 'plain'],
  ['＝1+1', "'＝1+1"],
  ['＠SUM(A1)', "'＠SUM(A1)"],
  ['  =1+1', "'  =1+1"],
])('what a spreadsheet would compute is guarded: %s', (text, out) => {
  expect(guarded(text)).toBe(out);
  expect(unguarded(out)).toBe(text);
});

const instrument: fc.Arbitrary<InstrumentEntry> = fc.record({
  customer: name,
  kind: fc.constantFrom(...KINDS, 'own-tenor'),
  maker: fc.constantFrom('', 'Wendlow', '=cmd'),
  model: name,
  year: fc.constantFrom('', '1971'),
  serial: fc.constantFrom('', 'WO-1', '001'),
  construction: fc.tuple(fc.constantFrom(...KINDS), fc.boolean()).map(([k, leftHanded]) => ({
    ...usualConstruction(k),
    leftHanded,
    ...(leftHanded && {
      radius: { kind: 'compound' as const, nut: 254, end: 406.4 },
      rodKey: '5/16 in',
      springs: 3,
      assumed: ['scale' as const, 'finish' as const],
    }),
  })),
});

test('instruments come back from CSV just so, to the last digit of a gauge', () => {
  fc.assert(
    fc.property(fc.array(instrument, { minLength: 1, maxLength: 5 }), (all) => {
      expect(readInstrumentsCsv(toInstrumentsCsv(all))).toEqual({ ok: true, value: all });
    }),
  );
});

test.each([
  ['a scale of nothing', /,648,/, ',,', /Line 2, scale/],
  ['a bridge nobody knows', /,pinned,/, ',glued-on,', /Line 2, bridge/],
  ['a note nobody knows', /E2 /, 'H2 ', /Line 2, strings.0.note/],
  ['a kind with a slash', /,own-tenor,/, ',../x,', /Line 2, kind/],
  ['nobody’s', /\r\nPetra,/, '\r\n,', /Line 2, customer/],
])('instruments: %s is refused with line and column', (_, find, put, says) => {
  const entry = {
    customer: 'Petra',
    kind: 'own-tenor',
    maker: '',
    model: 'Otter',
    year: '',
    serial: '',
    construction: usualConstruction('steel-acoustic'),
  };
  const read = readInstrumentsCsv(toInstrumentsCsv([entry]).replace(find, put));
  expect(read.ok ? 'read' : read.error).toMatch(says);
});

test('a file broken anywhere is read whole or refused with a reason, never thrown', () => {
  const text = toVcards([{ name: 'Petra Aldous', phone: '555 0101', email: 'p@x.example' }]);
  const sheet = toCustomersCsv([{ name: 'Petra "P" Aldous', phone: '555', email: '' }]);
  for (const [good, read] of [
    [text, readVcards],
    [sheet, readCustomersCsv],
  ] as const) {
    fc.assert(
      fc.property(fc.nat(good.length), fc.nat(30), fc.string({ maxLength: 5 }), (at, out, put) => {
        const done = read(good.slice(0, at) + put + good.slice(at + out));
        if (!done.ok) expect(done.error.length).toBeGreaterThan(5);
        else expect(done.value.every((c) => c.name !== '')).toBe(true);
      }),
      { numRuns: 200 },
    );
  }
});
