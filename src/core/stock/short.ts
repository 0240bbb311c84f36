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
  /** so many jobs wait for, more than are here */
  readonly wanted: number;
  /** so many are still to come with orders */
  readonly coming: number;
  /** so many should be free at least; 0 where nobody minds */
  readonly least: number;
  /** so many are usually ordered at once; 0 where nobody said */
  readonly usual: number;
  readonly cost: Minor | null;
  readonly retired: boolean;
}

type Levels = Pick<Stocked, 'free' | 'least' | 'wanted' | 'coming'>;

/** Whether fewer are free than there should be at least, or jobs wait for it. */
export const isShort = (i: Omit<Levels, 'coming'> & Pick<Stocked, 'retired'>): boolean =>
  !i.retired && i.free - i.wanted < i.least;

/** How many are missing beside what is still to come. */
const missing = ({ free, least, wanted, coming }: Levels): number =>
  Math.ceil(least + wanted - free - coming);

/** Whether it is past its day. @param today yyyy-mm-dd */
export const isPast = ({ facts }: Pick<Stocked, 'facts'>, today: string): boolean =>
  typeof facts['until'] === 'string' && facts['until'] < today;

/** The bars of a longer code stand closer on a label of 62 mm than a scanner can tell apart. */
const LONGEST_IN_BARS = 24;

interface Coded {
  readonly id: number;
  readonly code: string;
}

/** The code an item's label carries: its own, else, or where that is too long for bars, the one the house prints for it. */
export const codeOf = ({ id, code }: Coded): string =>
  code === '' || code.length > LONGEST_IN_BARS ? `R${String(id).padStart(5, '0')}` : code;

/** Whether what is scanned or typed is its code, on its label or its packet. */
export const isCodeOf = (item: Coded, typed: string): boolean =>
  [codeOf(item), item.code].some((c) => c !== '' && c.toLowerCase() === typed.trim().toLowerCase());

/** Whether what is typed names it: its name, place, supplier, facts, or its code whole. @param said its facts in words */
export function isNamed(item: Stocked & { readonly id: number }, said: string, typed: string): boolean {
  const text = typed.trim().toLowerCase();
  if (text === '' || isCodeOf(item, text)) return true;
  const all = `${item.name} ${item.place} ${item.supplier} ${said}`.toLowerCase();
  return text.split(/\s+/).every((w) => all.includes(w));
}

/** How many to order: as usual, as often as it takes until all jobs have theirs and the least are free; whole ones. */
export function toOrder(i: Levels & Pick<Stocked, 'usual'>): number {
  const short = missing(i);
  if (short <= 0) return 0;
  return i.usual <= 0 ? short : i.usual * Math.ceil(short / i.usual);
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

/** What is short and on no order yet, a list for each supplier, in the order of their names; without one last. */
export function shortLists<I extends Stocked>(items: readonly I[]): readonly ShortList<I>[] {
  const bySupplier = new Map<string, I[]>();
  for (const i of items.filter((x) => !x.retired && toOrder(x) > 0)) {
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
