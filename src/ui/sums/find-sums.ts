import { SUMS } from '../../core/sums/catalogue.ts';
import type { AnySum } from '../../core/sums/run-sum.ts';

const simple = (text: string): string => text.toLowerCase().replace(/[’']/g, '');

/** How well a sum answers what is asked: its name before what one may want, a whole phrase before single words. */
function rank(sum: AnySum, asked: string): number {
  const words = asked.split(/\s+/);
  const name = simple(`${sum.title} ${sum.id}`);
  const asks = sum.asks.map(simple);
  if (!words.every((w) => name.includes(w) || asks.some((a) => a.includes(w)))) return 0;
  if (asks.some((a) => a === asked) || simple(sum.title) === asked) return 5;
  if (asks.some((a) => a.startsWith(asked)) || name.startsWith(asked)) return 4;
  if (asks.some((a) => words.every((w) => a.includes(w)))) return 3;
  return name.includes(asked) ? 2 : 1;
}

/** The sums that answer a name or what one wants to do (“lower the action”), the best first. */
export function findSums(text: string): readonly AnySum[] {
  const asked = simple(text.trim());
  if (asked === '') return SUMS;
  return SUMS.map((sum) => ({ sum, rank: rank(sum, asked) }))
    .filter((f) => f.rank > 0)
    .sort((a, b) => b.rank - a.rank)
    .map((f) => f.sum);
}
