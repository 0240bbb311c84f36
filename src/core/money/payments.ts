import type { Minor } from './minor.ts';

export const PAYMENT_KINDS = {
  deposit: 'Deposit',
  payment: 'Payment',
  refund: 'Given back',
} as const;
export type PaymentKind = keyof typeof PAYMENT_KINDS;

/** One amount that changed hands; always positive, its kind says which way it went. */
export interface Payment {
  readonly kind: PaymentKind;
  readonly amount: Minor;
  /** written down by mistake, and taken back */
  readonly takenBack: boolean;
}

/** What was paid, less what was given back, minor units. `paidSoFar` of 30 deposit, 50 payment and 10 refund is 70. */
export const paidSoFar = (payments: readonly Payment[]): Minor =>
  payments
    .filter((p) => !p.takenBack)
    .reduce((sum, p) => sum + (p.kind === 'refund' ? -p.amount : p.amount), 0);

/** What is still to be paid (positive) or to be given back (negative) of a bill, minor units. */
export const stillOpen = (toPay: Minor, payments: readonly Payment[]): Minor => toPay - paidSoFar(payments);

/**
 * What is given out again of what was handed over, minor units; null where it is not enough.
 * @example change(6840, 7000) → 160
 */
export const change = (due: Minor, given: Minor): Minor | null => (given < due ? null : given - due);
