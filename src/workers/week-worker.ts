import type { TriedWeek } from '../core/schedule/difference.ts';
import { lookForBetter, type BetterSoFar, type WorkToSearch } from '../core/schedule/look-for-better.ts';

/** What the page asks of the worker: to look for so many seconds, or to stop looking and say what was found. */
export type SearchAsked =
  | { readonly kind: 'search'; readonly work: WorkToSearch; readonly seconds: number }
  | { readonly kind: 'stop' };

export type SearchSaid =
  | ({ readonly kind: 'so far' } & BetterSoFar)
  | { readonly kind: 'found'; readonly tried: TriedWeek }
  | { readonly kind: 'failed'; readonly error: string };

/** So long it computes before it looks whether it was asked to stop, and says how far it is. */
const SLICE_MS = 200;

/** So long it is still asked how far from the best what was found may be, once it was ended. */
const AFTER_STOP_MS = 5000;

const scope = self;
const say = (said: SearchSaid): void => scope.postMessage(said);
let stoppedAt: number | null = null;

async function search(work: WorkToSearch, seconds: number): Promise<void> {
  const began = performance.now();
  const passed = (): number => {
    const now = performance.now();
    return stoppedAt === null ? (now - began) / (1000 * seconds) : 1 + (now - stoppedAt) / AFTER_STOP_MS;
  };
  const looking = lookForBetter(work, passed);
  for (;;) {
    const slice = performance.now() + SLICE_MS;
    let step = looking.next();
    while (!step.done && performance.now() < slice) step = looking.next();
    if (step.done) return say({ kind: 'found', tried: step.value });
    say({ kind: 'so far', ...step.value });
    await new Promise((resolve) => setTimeout(resolve, 0));
  }
}

self.addEventListener('message', ({ data }: MessageEvent<SearchAsked>) => {
  if (data.kind === 'stop') {
    stoppedAt ??= performance.now();
    return;
  }
  stoppedAt = null;
  search(data.work, data.seconds).catch((error: unknown) =>
    say({ kind: 'failed', error: error instanceof Error ? error.message : String(error) }),
  );
});
