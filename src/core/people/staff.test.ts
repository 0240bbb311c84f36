import fc from 'fast-check';
import { runs } from '../../runs-for-tests.ts';
import { pinProblem } from './pin.ts';
import { ROLES, type Role } from './roles.ts';
import { initialsOf, staffProblem, type Staff } from './staff.ts';

describe('a PIN', () => {
  test.each([
    ['2468', null],
    ['480216', null],
    ['907351824460', null],
    ['123', 'Four to twelve digits.'],
    ['1234567890123', 'Four to twelve digits.'],
    ['12a4', 'Four to twelve digits.'],
    ['1234', 'One that counts up or down is guessed first.'],
    ['98765', 'One that counts up or down is guessed first.'],
    ['0000', 'One that repeats itself is guessed first.'],
    ['1212', 'One that repeats itself is guessed first.'],
    ['123123', 'One that repeats itself is guessed first.'],
  ])('%s: %s', (pin, problem) => {
    expect(pinProblem(pin)).toBe(problem);
  });
});

test.each([
  ['Nadia Brook', 'NB'],
  ['Ilse van der Marrow', 'IM'],
  ['Åsa', 'Å'],
  ['  per   lindqvar ', 'PL'],
  ['', ''],
])('the letters of “%s” are %s', (name, letters) => {
  expect(initialsOf(name)).toBe(letters);
});

describe('who changes whom', () => {
  const someone = (id: number, role: Role, active = true): Staff => ({ id, name: `P${id}`, role, active });
  const shop = [someone(1, 'owner'), someone(2, 'lead'), someone(3, 'technician')];
  const [owner, lead, tech] = shop as [Staff, Staff, Staff];

  test.each([
    ['a lead adds a technician', lead, null, { role: 'technician', active: true }, true],
    ['a lead makes no owner', lead, tech, { role: 'owner', active: true }, false],
    ['a lead lets no owner go', lead, owner, { role: 'owner', active: false }, false],
    ['an owner makes another owner', owner, tech, { role: 'owner', active: true }, true],
    ['the last owner does not step down', owner, owner, { role: 'lead', active: true }, false],
    ['the last owner does not leave', owner, owner, { role: 'owner', active: false }, false],
    ['a lead lets a technician go', lead, tech, { role: 'technician', active: false }, true],
  ] as const)('%s', (_, actor, whom, to, may) => {
    expect(staffProblem(actor, shop, whom, to) === null).toBe(may);
  });

  test('property: whatever leads and owners do, an active owner stays', () => {
    const change = fc.record({
      by: fc.nat(5),
      whom: fc.nat(5),
      role: fc.constantFrom(...ROLES),
      active: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(change, { maxLength: 30 }), (changes) => {
        let all: Staff[] = [...shop, someone(4, 'desk'), someone(5, 'owner'), someone(6, 'lead')];
        for (const c of changes) {
          const [actor, whom] = [all[c.by], all[c.whom]];
          if (!actor?.active || !whom || !['lead', 'owner'].includes(actor.role)) continue;
          if (staffProblem(actor, all, whom, c) !== null) continue;
          all = all.map((p) => (p.id === whom.id ? { ...p, role: c.role, active: c.active } : p));
        }
        expect(all.some((p) => p.active && p.role === 'owner')).toBe(true);
      }),
      runs(200),
    );
  });
});
