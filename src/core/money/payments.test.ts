import fc from 'fast-check';
import { change, paidSoFar, stillOpen, type Payment } from './payments.ts';

const payment: fc.Arbitrary<Payment> = fc.record({
  kind: fc.constantFrom('deposit' as const, 'payment' as const, 'refund' as const),
  amount: fc.integer({ min: 1, max: 1_000_000 }),
  takenBack: fc.boolean(),
});

test('deposits and payments less refunds, whatever their order; what was taken back counts nowhere', () => {
  expect(
    paidSoFar([
      { kind: 'deposit', amount: 30, takenBack: false },
      { kind: 'payment', amount: 50, takenBack: false },
      { kind: 'refund', amount: 10, takenBack: false },
      { kind: 'payment', amount: 999, takenBack: true },
    ]),
  ).toBe(70);
  fc.assert(
    fc.property(
      fc.array(payment, { maxLength: 12 }),
      fc.integer({ min: 0, max: 1_000_000 }),
      (all, toPay) => {
        expect(stillOpen(toPay, all) + paidSoFar(all)).toBe(toPay);
        expect(paidSoFar([...all].reverse())).toBe(paidSoFar(all));
        expect(paidSoFar(all.filter((p) => !p.takenBack))).toBe(paidSoFar(all));
      },
    ),
  );
});

test('change is what was handed over less what is due, or nothing where that is not enough', () => {
  expect([change(6840, 7000), change(6840, 6840), change(6840, 6839)]).toEqual([160, 0, null]);
});
