import { addDays, type Day } from '../days/zone.ts';

/** Something that was ordered. In the item's own unit. */
export interface OrderRow {
  readonly item: number;
  readonly quantity: number;
  /** how many of it came so far */
  readonly came: number;
}

/** An order at one supplier. */
export interface StockOrder {
  readonly id: number;
  /** the day it went out; null while it is only written */
  readonly orderedOn: Day | null;
  /** the day it should come; null where nobody said */
  readonly expected: Day | null;
  /** nothing of it comes any more */
  readonly ended: boolean;
  readonly rows: readonly OrderRow[];
}

/** How an order stands. */
export const STANDINGS = {
  written: 'written, not ordered yet',
  'under way': 'under way',
  'partly here': 'partly here',
  late: 'late',
  here: 'all here',
  ended: 'ended, the rest does not come',
} as const;
export type Standing = keyof typeof STANDINGS;

/** How many of a row are still to come; more than were ordered is none. */
export const missingOf = ({ quantity, came }: Pick<OrderRow, 'quantity' | 'came'>): number =>
  Math.max(0, Math.round((quantity - came) * 100) / 100);

/** How an order stands on a day. */
export function standingOf(order: Omit<StockOrder, 'id'>, today: Day): Standing {
  const all = order.rows.every((r) => missingOf(r) === 0);
  if (order.orderedOn !== null && all) return 'here';
  if (order.ended) return 'ended';
  if (order.orderedOn === null) return 'written';
  if (order.expected !== null && order.expected < today) return 'late';
  return order.rows.some((r) => r.came > 0) ? 'partly here' : 'under way';
}

/** How many of each item are still to come, whether their order went out or is only written. */
export function comingOf(orders: readonly StockOrder[]): ReadonlyMap<number, number> {
  const coming = new Map<number, number>();
  for (const o of orders.filter((x) => !x.ended))
    for (const r of o.rows)
      coming.set(r.item, Math.round(((coming.get(r.item) ?? 0) + missingOf(r)) * 100) / 100);
  return coming;
}

/** What a job waits for, in the order they asked. */
export interface StockWant {
  readonly id: number;
  readonly item: number;
  readonly quantity: number;
}

/** When something a job waits for will likely be here. */
export interface Arrival {
  /** the order it comes with; null where none that went out has enough of it */
  readonly order: number | null;
  readonly expected: Day | null;
  readonly late: boolean;
}

const NOT_ORDERED: Arrival = { order: null, expected: null, late: false };

/** What went out and is awaited, the soonest first; of which nobody knows the day last. */
const underWay = (orders: readonly StockOrder[]): StockOrder[] =>
  orders
    .filter((o) => o.orderedOn !== null && !o.ended)
    .sort((x, y) => (x.expected ?? '9').localeCompare(y.expected ?? '9') || x.id - y.id);

/**
 * With which order each want will likely come: who asked first has the first that arrive, and whoever needs several waits for the last
 * of them.
 * @returns by want
 */
export function arrivalsOf(
  wants: readonly StockWant[],
  orders: readonly StockOrder[],
  today: Day,
): ReadonlyMap<number, Arrival> {
  const out = underWay(orders);
  const before = new Map<number, number>();
  return new Map(
    wants.map((w) => {
      const until = (before.get(w.item) ?? 0) + w.quantity;
      before.set(w.item, until);
      let come = 0;
      for (const o of out) {
        for (const r of o.rows) if (r.item === w.item) come += missingOf(r);
        if (come + 1e-6 < until) continue;
        const late = o.expected !== null && o.expected < today;
        return [w.id, { order: o.id, expected: o.expected, late }];
      }
      return [w.id, NOT_ORDERED];
    }),
  );
}

/** The day an order should come by what the supplier usually takes, working days or not. @param days null where nobody said */
export const usuallyBy = (today: Day, days: number | null): Day | null =>
  days === null ? null : addDays(today, days);
