import { BENCH_ARRIVAL } from './bench-arrival.ts';

/** What an item is called on the list that ships, for a list that does not have it. */
export const titleOfItem = (key: string): string =>
  BENCH_ARRIVAL.items.find((i) => i.key === key)?.title ?? key;
