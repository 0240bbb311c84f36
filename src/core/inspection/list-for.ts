import type { OperationId } from '../catalogue/operation-ids.ts';
import { operation } from '../catalogue/operations.ts';
import { BENCH_ARRIVAL } from './lists/bench-arrival.ts';
import { PLAIN_SETUP } from './lists/plain-setup.ts';

/** The list that suits what an instrument came for, and why. */
export interface SuitedList {
  readonly list: string;
  readonly why: string;
}

/** Words of a complaint that speak of more than a setup. */
const MORE =
  /\b(crack|split|broke|break|fell|fallen|dropp|knock|lift|loose|glue|brace|bridge com|bulg|sunk|warp|twist|noise|hum|crackl|dead|silent|cut(s|ting)? out|pickup|output|jack|rattl|buzz|worn|fret(s)? (are )?(worn|gone|out)|refret|level|value|insur|sell|sold|heirloom|restor|damp|dry|heater|water|smell|repair)/i;

/**
 * Which list suits: the short one for a plain setup, the whole one where the complaint or the order speaks of more.
 * @param complaint in the customer's words
 * @param order operations agreed so far
 * @example listFor('a setup for lighter strings', []).list → 'plain-setup'
 */
export function listFor(complaint: string, order: readonly OperationId[]): SuitedList {
  const word = MORE.exec(complaint)?.[0];
  if (word !== undefined)
    return { list: BENCH_ARRIVAL.id, why: `They speak of more than a setup: “${word.toLowerCase()}”.` };
  if (order.some((o) => !operation(o).plain))
    return { list: BENCH_ARRIVAL.id, why: 'The order holds more than a plain setup.' };
  return { list: PLAIN_SETUP.id, why: 'Nothing speaks of more than a plain setup.' };
}
