import { addDays, type Day } from '../days/zone.ts';
import type { Minor } from '../money/minor.ts';
import type { MoveKind } from './ledger.ts';
import type { SortId } from './sorts.ts';

/** A row of the ledger as figures are drawn from it. */
export interface DatedMove {
  readonly item: number;
  readonly kind: MoveKind;
  readonly quantity: number;
  readonly day: Day;
}

/** What leaves the shelf for good, and what comes back to it. */
const GOES: Readonly<Partial<Record<MoveKind, 1 | -1>>> = { used: 1, broken: 1, returned: -1 };
/** What shows that somebody wants it; a count does not. */
const LIVES: ReadonlySet<MoveKind> = new Set(['received', 'set-aside', 'used', 'broken', 'returned']);
const MONTHS = 12;

/** The last twelve months, the present one last, `yyyy-mm`. */
export function lastMonths(today: Day): readonly string[] {
  const [year = 0, month = 1] = today.split('-').map(Number);
  return Array.from({ length: MONTHS }, (_, i) => {
    const n = year * 12 + month - 1 - (MONTHS - 1 - i);
    return `${Math.floor(n / 12)}-${String((n % 12) + 1).padStart(2, '0')}`;
  });
}

/**
 * How many of each item were used or spoilt in each of the last twelve months, less what was put back.
 * @returns by item, the present month last; items nobody used have none
 */
export function usedByMonth(moves: readonly DatedMove[], today: Day): ReadonlyMap<number, readonly number[]> {
  const months = lastMonths(today);
  const at = new Map(months.map((m, i) => [m, i]));
  const by = new Map<number, number[]>();
  for (const { item, kind, quantity, day } of moves) {
    const [sign, month] = [GOES[kind], at.get(day.slice(0, 7))];
    if (sign === undefined || month === undefined) continue;
    const own = by.get(item) ?? months.map(() => 0);
    own[month] = Math.round(((own[month] ?? 0) + sign * quantity) * 100) / 100;
    by.set(item, own);
  }
  return by;
}

/** What stands on the shelf, by what it cost. */
export interface ShelfValue {
  readonly sort: SortId;
  readonly value: Minor;
  /** how many items of it are there of which nobody knows the cost */
  readonly unknown: number;
}

/** What everything on the shelves cost, sort by sort, the most first. */
export function shelfValue(
  items: readonly { readonly sort: SortId; readonly onHand: number; readonly cost: Minor | null }[],
): readonly ShelfValue[] {
  const by = new Map<SortId, { value: Minor; unknown: number }>();
  for (const i of items.filter((x) => x.onHand > 0)) {
    const own = by.get(i.sort) ?? { value: 0, unknown: 0 };
    by.set(i.sort, {
      value: own.value + Math.round((i.cost ?? 0) * i.onHand),
      unknown: own.unknown + (i.cost === null ? 1 : 0),
    });
  }
  return [...by].map(([sort, v]) => ({ sort, ...v })).sort((x, y) => y.value - x.value);
}

/** The day an item was last asked for or came in, by item. */
export function lastAlive(moves: readonly DatedMove[]): ReadonlyMap<number, Day> {
  const last = new Map<number, Day>();
  for (const m of moves) if (LIVES.has(m.kind) && m.day > (last.get(m.item) ?? '')) last.set(m.item, m.day);
  return last;
}

/** Whether what is there has not moved for a year. @param last the day it did; null where it never has */
export const liesStill = (onHand: number, last: Day | null, today: Day): boolean =>
  onHand > 0 && last !== null && last < addDays(today, -365);
