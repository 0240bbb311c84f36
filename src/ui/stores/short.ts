import type { ShelfItem } from '../../server/stores/load-stores.ts';

/** Whether fewer are free than there should be at least. */
export const isShort = (i: Pick<ShelfItem, 'free' | 'least' | 'retired'>): boolean =>
  !i.retired && i.least > 0 && i.free < i.least;

/** Whether it is past its day. @param today yyyy-mm-dd */
export const isPast = ({ facts }: Pick<ShelfItem, 'facts'>, today: string): boolean =>
  typeof facts['until'] === 'string' && facts['until'] < today;

/** Whether what is typed names it: its name, place, supplier, facts, or its code whole. */
export function isNamed(item: ShelfItem, said: string, typed: string): boolean {
  const text = typed.trim().toLowerCase();
  if (text === '' || item.code.toLowerCase() === text) return true;
  const all = `${item.name} ${item.place} ${item.supplier} ${said}`.toLowerCase();
  return text.split(/\s+/).every((w) => all.includes(w));
}
