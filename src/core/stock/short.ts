import type { Minor } from '../money/minor.ts';
import type { ItemFacts } from './fits.ts';

/** An item as its shelf stands. Counted in its own unit, money in minor units. */
export interface Stocked {
  readonly name: string;
  readonly place: string;
  readonly supplier: string;
  readonly code: string;
  readonly facts: ItemFacts;
  readonly free: number;
  readonly onHand: number;
  /** so many should be free at least; 0 where nobody minds */
  readonly least: number;
  /** so many are usually ordered at once; 0 where nobody said */
  readonly usual: number;
  readonly cost: Minor | null;
  readonly retired: boolean;
}

/** Whether fewer are free than there should be at least. */
export const isShort = (i: Pick<Stocked, 'free' | 'least' | 'retired'>): boolean =>
  !i.retired && i.least > 0 && i.free < i.least;

/** Whether it is past its day. @param today yyyy-mm-dd */
export const isPast = ({ facts }: Pick<Stocked, 'facts'>, today: string): boolean =>
  typeof facts['until'] === 'string' && facts['until'] < today;

/** Whether what is typed names it: its name, place, supplier, facts, or its code whole. @param said its facts in words */
export function isNamed(item: Stocked, said: string, typed: string): boolean {
  const text = typed.trim().toLowerCase();
  if (text === '' || item.code.toLowerCase() === text) return true;
  const all = `${item.name} ${item.place} ${item.supplier} ${said}`.toLowerCase();
  return text.split(/\s+/).every((w) => all.includes(w));
}

/** How many to order: as usual, as often as it takes until the least are free; whole ones. */
export function toOrder({ free, least, usual }: Pick<Stocked, 'free' | 'least' | 'usual'>): number {
  const missing = Math.ceil(least - free);
  if (missing <= 0) return 0;
  return usual <= 0 ? missing : usual * Math.ceil(missing / usual);
}

/** What is short at one supplier. */
export interface ShortList<I> {
  /** empty where nobody said from whom it comes */
  readonly supplier: string;
  readonly rows: readonly { readonly item: I; readonly order: number }[];
  /** what it will cost, as far as that is known */
  readonly cost: Minor;
  /** how many rows nobody knows the cost of */
  readonly unknown: number;
}

/** What is short, a list for each supplier, in the order of their names; without one last. */
export function shortLists<I extends Stocked>(items: readonly I[]): readonly ShortList<I>[] {
  const bySupplier = new Map<string, I[]>();
  for (const i of items.filter(isShort)) {
    const known = bySupplier.get(i.supplier);
    if (known) known.push(i);
    else bySupplier.set(i.supplier, [i]);
  }
  return [...bySupplier]
    .sort(([a], [b]) => Number(a === '') - Number(b === '') || a.localeCompare(b))
    .map(([supplier, own]) => {
      const rows = own.map((item) => ({ item, order: toOrder(item) }));
      return {
        supplier,
        rows,
        cost: rows.reduce((s, r) => s + Math.round((r.item.cost ?? 0) * r.order), 0),
        unknown: rows.filter((r) => r.item.cost === null).length,
      };
    });
}
