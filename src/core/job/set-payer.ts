import type { Conditions } from '../readings/conditions.ts';

/** Who pays for the set that an instrument needs before it can be judged, as it was agreed at the counter. */
export const SET_PAYERS = { customer: 'the customer', shop: 'the shop' } as const;
export type SetPayer = keyof typeof SET_PAYERS;
export const SET_PAYER_NAMES = Object.keys(SET_PAYERS) as [SetPayer, ...SetPayer[]];

/** Whether an instrument that comes in like this needs a set before it can be judged. */
export const needsSet = (strings: Conditions['strings']): boolean =>
  strings === 'missing' || strings === 'off';

/** Who pays for the set that goes on first, in words for the ticket; nothing where none is needed. */
export function sayTicketSet(strings: Conditions['strings'], payer: SetPayer | null): string {
  if (strings === 'at-pitch') return '';
  const first = 'it cannot be judged before it is strung and tuned';
  if (!needsSet(strings)) return first;
  return `${first}; ${payer === null ? 'who pays for the set it needs is not agreed yet' : `the set it needs is paid by ${SET_PAYERS[payer]}`}`;
}
