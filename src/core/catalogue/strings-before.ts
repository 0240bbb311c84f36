import type { Operation } from './operation.ts';
import { isStringing } from './operations.ts';
import { STRINGS_OFF } from './order-of-work.ts';

/** What is known of an operation where strings come off and go on. */
export type Strung = Pick<Operation, 'strings' | 'strung' | 'needs' | 'takesFrom'>;

/**
 * What has to be done with the strings before each of some operations, beside what these do themselves: put on again before what is done
 * with them on, taken off again before what is done without.
 * @param operations in their order
 * @param bare whether the strings are off before the first
 */
export function stringsBefore(
  operations: readonly Strung[],
  bare: boolean,
): readonly ('on' | 'off' | null)[] {
  let off = bare;
  return operations.map((o) => {
    const wants = o.strung && !isStringing(o) ? 'on' : o.needs.includes(STRINGS_OFF) ? 'off' : null;
    const before = wants !== null && off !== (wants === 'off') ? wants : null;
    if (wants !== null) off = wants === 'off';
    if (o.strings !== null) off = o.strings === 'off';
    return before;
  });
}
