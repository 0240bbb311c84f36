import { performance } from 'node:perf_hooks';
import { at } from './row.ts';

const ROUNDS = 20;
const MOST_BLOCKS = 20;
/** What takes so much of the time before is no faster any more. */
const NO_FASTER = 0.97;

/**
 * Asks a house that has just begun for what will be measured, again and again until it takes no less time: a shop's house runs for
 * weeks, and what it does is compiled in its first minutes.
 * @param round asks for all of it once
 * @returns how many rounds that took
 */
export async function warmHouse(round: (i: number) => Promise<unknown>): Promise<number> {
  let best = Infinity;
  let noFaster = 0;
  for (let block = 1; ; block++) {
    const took: number[] = [];
    for (let i = 0; i < ROUNDS; i++) {
      const began = performance.now();
      await round(block * ROUNDS + i);
      took.push(performance.now() - began);
    }
    const median = at(
      took.sort((a, b) => a - b),
      0.5,
    );
    noFaster = median > best * NO_FASTER ? noFaster + 1 : 0;
    if (noFaster === 2 || block === MOST_BLOCKS) return block * ROUNDS;
    best = Math.min(best, median);
  }
}
