import type { Construction } from '../../instrument/construction.ts';
import { roundMinor, type Minor } from '../../money/minor.ts';
import type { Operation } from '../../catalogue/operation.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { operation } from '../../catalogue/operations.ts';
import { inWorkOrder, STRINGS_OFF } from '../../catalogue/order-of-work.ts';
import { offered, type Problem, type RodState } from './problem.ts';

/** What a set of operations costs: money, hands, waiting. */
export interface Cost {
  /** labour and parts, as the catalogue has it and as it may turn out */
  readonly price: { readonly low: Minor; readonly likely: Minor; readonly high: Minor };
  readonly minutes: { readonly low: number; readonly likely: number; readonly high: number };
  /** minutes of waiting, at the least */
  readonly wait: number;
  readonly irreversible: number;
}

/** A neck that was bent is judged after a week under tension only. */
const BENT: readonly OperationId[] = ['neck-clamp', 'neck-heat'];

/**
 * What goes along with a set of operations, and what is part of another: a new nut has its slots cut. Strings come off where one needs it,
 * and everything ends with the test that puts them on again.
 */
export function closure(
  p: Pick<Problem, 'catalogue'> & Partial<Pick<Problem, 'declined'>>,
  ids: ReadonlySet<OperationId>,
): ReadonlySet<OperationId> {
  if (ids.size === 0) return ids;
  const has = (id: OperationId) => offered(p, id) !== null;
  const parts = new Set([...ids].flatMap((id) => operation(id, p.catalogue).includes));
  const all = new Set([...ids].filter((id) => !parts.has(id)));
  if (BENT.some((id) => all.has(id)) && has('neck-settle')) all.add('neck-settle');
  const bare = [...all].some((id) => p.catalogue.find((o) => o.id === id)?.needs.includes(STRINGS_OFF));
  if (bare && has(STRINGS_OFF)) all.add(STRINGS_OFF);
  if (has('play-test')) all.add('play-test');
  return all;
}

/** Whether the rod's nut is reached only with the neck off: at the heel, or where nothing else reaches it. */
export const rodWantsNeckOff = (p: {
  readonly model?: { readonly construction: Pick<Construction, 'rodNut'> } | undefined;
  readonly rod?: RodState | undefined;
}): boolean => p.model?.construction.rodNut === 'heel' || p.rod === 'unreachable';

/** The operations of a set in the order of the work. */
export function inOrder(
  p: Pick<Problem, 'catalogue'> & Partial<Pick<Problem, 'model' | 'rod'>>,
  ids: ReadonlySet<OperationId>,
): Operation[] {
  const all = new Map(p.catalogue.filter((o) => ids.has(o.id)).map((o) => [o.id, o]));
  const needs = (id: OperationId): readonly OperationId[] => {
    const own = p.catalogue.find((o) => o.id === id)?.needs ?? [];
    return id === 'rod' && rodWantsNeckOff(p) ? [...own, 'neck-off'] : own;
  };
  const lines = [...all.values()].map((o, id) => ({ id, operation: o.id, sort: o.order }));
  const usual = (id: OperationId): number => all.get(id)?.order ?? 0;
  return inWorkOrder(lines, needs, usual).flatMap((l) => all.get(l.operation) ?? []);
}

/** Adds up a set of operations. Labour follows the minutes, low to high; parts do not. */
export function costOf(p: Pick<Problem, 'catalogue'>, ids: ReadonlySet<OperationId>): Cost {
  const price = { low: 0, likely: 0, high: 0 };
  const minutes = { low: 0, likely: 0, high: 0 };
  let [wait, irreversible] = [0, 0];
  for (const id of ids) {
    const o = p.catalogue.find((x) => x.id === id);
    if (!o) continue;
    for (const k of ['low', 'likely', 'high'] as const) {
      minutes[k] += o.minutes[k];
      price[k] +=
        (o.minutes.likely === 0 ? o.price : roundMinor((o.price * o.minutes[k]) / o.minutes.likely)) +
        o.parts;
    }
    wait += o.wait;
    if (!o.reversible) irreversible++;
  }
  return { price, minutes, wait, irreversible };
}

const DAY = 1440;

const HANDS_A_DAY = 360;

/**
 * The days an instrument is away for operations in their order, the first and the last with it: hands work six hours a day and
 * go on the next morning, waits go on through the night. None for nothing.
 * @param operations in the order of the work, minutes
 */
export function daysOf(operations: readonly Pick<Operation, 'minutes' | 'wait'>[]): number {
  if (operations.length === 0) return 0;
  let at = 0;
  for (const { minutes, wait } of operations) {
    let left = minutes.likely;
    while (left > 0) {
      const day = Math.floor(at / DAY) * DAY;
      const free = day + HANDS_A_DAY - at;
      const now = Math.min(left, Math.max(0, free));
      left -= now;
      at = left > 0 ? day + DAY : at + now;
    }
    at += wait;
  }
  return Math.floor(Math.max(0, at - 1) / DAY) + 1;
}

/**
 * What the shop weighs a set at, minor units: money, days of waiting, what cannot be undone and what is taken off.
 * @param taken as a share of what each part has to give, added up
 */
export const weigh = (p: Problem, cost: Cost, taken: number): number =>
  cost.price.likely +
  (cost.wait / DAY) * p.weights.day +
  cost.irreversible * p.weights.irreversible +
  taken * p.weights.removed;
