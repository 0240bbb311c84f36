import type { Minor } from '../money/minor.ts';

/** How a line stands that costs nothing: nobody has to be asked. */
export const NOTHING_TO_PAY = 'nothing to pay';

/** A new line's answer: one of nothing to pay needs no yes. Minor units. */
export const firstAnswer = (price: Minor, parts: Minor, now: Date) =>
  price + parts === 0
    ? ({
        approval: 'yes',
        approvedBy: '',
        approvedHow: NOTHING_TO_PAY,
        approvedAt: now,
        offeredAt: now,
      } as const)
    : ({ approval: 'asked', approvedBy: '', approvedHow: '', approvedAt: null, offeredAt: now } as const);
