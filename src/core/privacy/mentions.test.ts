import fc from 'fast-check';
import {
  mayName,
  mentionsOf,
  putWords,
  takeWords,
  withoutMentions,
  withoutNames,
  type Named,
} from './mentions.ts';

const PETRA: Named = { name: 'Petra Aldous', phone: '+64 9 555 01 01', email: 'petra@example.invalid' };
const names = mentionsOf([PETRA]);

test.each([
  ['Petra Aldous says it buzzes', '(withdrawn) says it buzzes'],
  ['call petra, or ALDOUS & sons', 'call (withdrawn), or (withdrawn) & sons'],
  ['reach her at 649-555-0101 or petra@example.invalid.', 'reach her at (withdrawn) or (withdrawn).'],
  ['a petrale and an aldouse', 'a petrale and an aldouse'],
  ['action:6:12', 'action:6:12'],
  ['', ''],
])('%s', (text, without) => {
  expect(withoutMentions(text, names)).toBe(without);
});

test('a name with signs in it is found as it is written, short words only with the whole', () => {
  const of = mentionsOf([{ name: 'Jo (the) O.K. Büchi', phone: '12', email: '' }]);
  expect(withoutMentions('Büchi’s: Jo (the) O.K. Büchi; jo, 12, the', of)).toBe(
    '(withdrawn)’s: (withdrawn); jo, 12, the',
  );
  expect(mentionsOf([{ name: ' ', phone: '', email: '' }])).toBeNull();
});

test('a record loses the texts that name somebody, whole, and has them again', () => {
  const data = {
    customer: PETRA,
    complaint: 'Petra says: buzz',
    touch: 'light',
    lines: [{ title: 'Nut', by: 'Jon' }, { title: 'Aldous’s own strings' }],
    signer: '',
    count: 3,
  };
  const { plain, words } = takeWords(data, names);
  expect(JSON.stringify(plain)).not.toMatch(/petra|aldous|555|Jon/i);
  expect(plain).toMatchObject({ touch: 'light', count: 3, lines: [{ title: 'Nut', by: '(withdrawn)' }, {}] });
  expect(putWords(plain, words)).toEqual(data);
});

test('a record loses names inside its texts, and who spoke for them', () => {
  expect(withoutNames({ a: ['Petra’s own', 'fine'], by: 'Jon', n: 1, none: null }, names)).toEqual({
    a: ['(withdrawn)’s own', 'fine'],
    by: '(withdrawn)',
    n: 1,
    none: null,
  });
});

test('taking out and putting back changes nothing, whatever the record is', () => {
  fc.assert(
    fc.property(fc.jsonValue(), fc.string({ minLength: 3 }), (data, name) => {
      const { plain, words } = takeWords(data, mentionsOf([{ name, phone: '', email: '' }]));
      expect(putWords(plain, words)).toEqual(data);
    }),
  );
});

test('what is left names nobody, wherever the name stands in it', () => {
  const around = fc.string({ maxLength: 12 }).map((s) => s.replace(/[\p{L}\p{N}]/gu, ' '));
  fc.assert(
    fc.property(around, around, (before, after) => {
      expect(withoutMentions(`${before} Petra Aldous ${after}`, names)).not.toMatch(/petra|aldous/i);
    }),
  );
});

test('where only numbers and the program’s own words stand nobody has to be asked', () => {
  expect(mayName({ before: { value: 1.2, typed: '5/64' }, after: 'as-found', list: [1, 'fine'] })).toBe(
    false,
  );
  expect(mayName({ note: 'Petra' })).toBe(true);
  expect(mayName({ phone: '555 0101' })).toBe(true);
  expect(mayName({ by: 'jo' })).toBe(true);
  expect(mayName({ by: 7 })).toBe(false);
});
