import { formatMoney, type MoneyForm } from './currency.ts';
import type { Minor } from './minor.ts';

/**
 * What a customer’s limit means, as it stands on their receipt.
 * @param limit minor units, tax included
 * @example limitOnReceipt(15000, 'XXX') → 'What comes to more than ¤150.00 in all is asked about first.'
 */
export const limitOnReceipt = (limit: Minor, currency: MoneyForm): string =>
  `What comes to more than ${formatMoney(limit, currency)} in all is asked about first.`;
