import { performance } from 'node:perf_hooks';

const RUNS = 40;
const WARM = 8;

/** Sorted times of something that is done again and again, ms; the first ones warm it up and do not count. */
export async function times(f: (i: number) => Promise<unknown>, runs = RUNS): Promise<number[]> {
  const all: number[] = [];
  for (let i = 0; i < WARM + runs; i++) {
    const began = performance.now();
    await f(i);
    if (i >= WARM) all.push(performance.now() - began);
  }
  return all.sort((a, b) => a - b);
}

/**
 * Sorted times of something and of what it is judged by, ms, done by turns: what a machine is busy with meanwhile meets both alike.
 */
export async function timesByTurns(
  base: () => Promise<unknown>,
  f: (i: number) => Promise<unknown>,
  runs = RUNS,
): Promise<readonly [base: number[], measured: number[]]> {
  const all: readonly [number[], number[]] = [[], []];
  for (let i = 0; i < WARM + runs; i++)
    for (const [which, what] of [base, f].entries()) {
      const began = performance.now();
      await what(i);
      if (i >= WARM) all[which as 0 | 1].push(performance.now() - began);
    }
  for (const one of all) one.sort((a, b) => a - b);
  return all;
}

/** The same of something that is done at once. */
export function timesAtOnce(f: () => unknown, runs = 12, warm = 3): number[] {
  const all: number[] = [];
  for (let i = 0; i < warm + runs; i++) {
    const began = performance.now();
    f();
    if (i >= warm) all.push(performance.now() - began);
  }
  return all.sort((a, b) => a - b);
}

/** The same of something that is done at once and of what it is judged by, by turns. */
export function timesAtOnceByTurns(
  base: () => unknown,
  f: () => unknown,
  runs = 12,
  warm = 3,
): readonly [base: number[], measured: number[]] {
  const all: readonly [number[], number[]] = [[], []];
  for (let i = 0; i < warm + runs; i++)
    for (const [which, what] of [base, f].entries()) {
      const [took = 0] = timesAtOnce(what, 1, 0);
      if (i >= warm) all[which as 0 | 1].push(took);
    }
  for (const one of all) one.sort((a, b) => a - b);
  return all;
}
