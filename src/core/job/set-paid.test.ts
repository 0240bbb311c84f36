import { OPERATIONS, operation } from '../catalogue/operations.ts';
import { partsFor, pricedCatalogue, SHOP_PAYS_SET } from './set-paid.ts';
import { needsSet, sayTicketSet } from './set-payer.ts';

const line = (id: Parameters<typeof operation>[0], approval: 'asked' | 'yes' | 'no' = 'yes') => ({
  approval,
  op: operation(id),
});

test('the first set costs nothing where the shop pays for it, a second one does; other parts always do', () => {
  const set = operation('string-up');
  expect(partsFor(set, 'shop', [line('rod')])).toEqual({ parts: 0, reason: SHOP_PAYS_SET });
  expect(partsFor(operation('play-test'), 'shop', [line('string-up')]).parts).toBe(
    operation('play-test').parts,
  );
  // What the customer said no to brought none.
  expect(partsFor(operation('play-test'), 'shop', [line('string-up', 'no')]).parts).toBe(0);
  for (const payer of ['customer', null] as const)
    expect(partsFor(set, payer, [])).toEqual({ parts: set.parts, reason: '' });
  expect(partsFor(operation('battery'), 'shop', []).parts).toBe(operation('battery').parts);
});

test('plans are priced as the order will be', () => {
  const parts = (lines: Parameters<typeof pricedCatalogue>[2], payer: 'shop' | 'customer' | null) =>
    pricedCatalogue(OPERATIONS, payer, lines).find((o) => o.id === 'string-up')?.parts;
  const usual = operation('string-up').parts;
  expect([
    parts([], 'shop'),
    parts([line('string-up')], 'shop'),
    parts([], 'customer'),
    parts([], null),
  ]).toEqual([0, usual, usual, usual]);
  expect(pricedCatalogue(OPERATIONS, 'shop', [])).toBe(pricedCatalogue(OPERATIONS, 'shop', []));
  expect(pricedCatalogue(OPERATIONS, null, [])).toBe(OPERATIONS);
});

test.each([
  ['at-pitch', null, false, ''],
  ['off-pitch', null, false, 'it cannot be judged before it is strung and tuned'],
  [
    'off',
    'shop',
    true,
    'it cannot be judged before it is strung and tuned; the set it needs is paid by the shop',
  ],
  [
    'missing',
    'customer',
    true,
    'it cannot be judged before it is strung and tuned; the set it needs is paid by the customer',
  ],
  [
    'off',
    null,
    true,
    'it cannot be judged before it is strung and tuned; who pays for the set it needs is not agreed yet',
  ],
] as const)('strings %s, paid by %s', (strings, payer, needs, said) => {
  expect([needsSet(strings), sayTicketSet(strings, payer)]).toEqual([needs, said]);
});
