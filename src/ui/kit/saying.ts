import { MONTHS } from '../../core/days/say-days.ts';
import type { Saying } from '../../core/learn/say-reach.ts';
import { dayOf } from './dates.ts';

/** A moment by its month in the shop: `March 2027`. */
const month = (at: number): string => {
  const day = dayOf(at);
  return `${MONTHS[Number(day.slice(5, 7)) - 1] ?? ''} ${day.slice(0, 4)}`;
};

/** How what is watched is said where heights are read in a unit. */
export const sayingIn = (unit: '64ths' | 'thou' | 'mm'): Saying => ({
  unit: { heights: unit, gaps: unit === 'mm' ? 'mm' : 'thou' },
  month,
});
