import fc from 'fast-check';
import { likeCustomers, likeInstruments, type ComparedCustomer } from './duplicates.ts';

const customer = (id: number, name: string, phone = '', email = ''): ComparedCustomer => ({
  id,
  name,
  phone,
  email,
});

test.each([
  [
    'a telephone written otherwise',
    [customer(1, 'Petra Aldous', '555 0101'), customer(2, 'P. A.', '(555) 01-01')],
    'same telephone',
  ],
  [
    'an e-mail in capitals',
    [customer(1, 'A', '', 'p@x.example'), customer(2, 'B', '', ' P@X.example')],
    'same e-mail',
  ],
  ['the name the other way round', [customer(1, 'Petra Aldous'), customer(2, 'aldous, petra')], 'same name'],
  [
    'several reasons at once',
    [customer(1, 'Petra', '55501'), customer(2, 'PETRA', '555-01')],
    'same telephone, same name',
  ],
])('%s is said, the older kept', (_, all, why) => {
  expect(likeCustomers(all)).toEqual([{ keep: 1, gone: 2, why }]);
  expect(likeCustomers([...all].reverse())).toEqual([{ keep: 1, gone: 2, why }]);
});

test.each([
  ['four digits are no telephone', [customer(1, 'A', '5550'), customer(2, 'B', '5550')]],
  ['nothing is no e-mail and no telephone', [customer(1, 'A'), customer(2, 'B')]],
  ['a name within another', [customer(1, 'Petra Aldous'), customer(2, 'Petra Aldousson')]],
  ['a name of marks alone', [customer(1, '…'), customer(2, '?')]],
])('%s', (_, all) => {
  expect(likeCustomers(all)).toEqual([]);
});

test('three alike are two pairs with the oldest', () => {
  expect(likeCustomers([customer(3, 'X'), customer(9, 'x'), customer(5, 'X')])).toEqual([
    { keep: 3, gone: 5, why: 'same name' },
    { keep: 3, gone: 9, why: 'same name' },
  ]);
});

test('nobody is like themselves, and the kept one is always the older', () => {
  const some = fc.array(
    fc.tuple(fc.constantFrom('a b', 'b a', 'c'), fc.constantFrom('', '55555', '5-5555')),
    { maxLength: 9 },
  );
  fc.assert(
    fc.property(some, (rows) => {
      const found = likeCustomers(rows.map(([name, phone], i) => customer(i + 1, name, phone)));
      expect(found.every((f) => f.keep < f.gone)).toBe(true);
      expect(new Set(found.map((f) => `${f.keep} ${f.gone}`)).size).toBe(found.length);
    }),
  );
});

const made = (id: number, serial: string, maker = 'Wendlow') => ({ id, serial, maker, model: 'Otter' });

test.each([
  ['a serial spaced otherwise', [made(1, 'WO-09417'), made(2, 'wo 09417')], 1],
  ['one without its maker', [made(1, 'WO-09417'), made(2, 'WO09417', '')], 1],
  ['two makers that count alike', [made(1, '1001'), made(2, '1001', 'Orlan')], 0],
  ['no serial', [made(1, ''), made(2, '')], 0],
  ['two signs are no serial', [made(1, '12'), made(2, '12')], 0],
])('instruments: %s', (_, all, count) => {
  expect(likeInstruments(all)).toHaveLength(count);
});
