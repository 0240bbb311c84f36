const SLICE_MS = 15;

/** Whoever asked has gone: what was found until then is not looked at by anybody. */
export class NobodyWaits extends Error {}

const breath = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/**
 * Runs what computes for long piece by piece, so that a shop that is served by the same process goes on meanwhile.
 * @param signal ends it, when nobody waits for it any more
 * @throws NobodyWaits where that happened
 */
export async function inSlices<T>(work: Generator<unknown, T>, signal?: AbortSignal): Promise<T> {
  for (;;) {
    const until = performance.now() + SLICE_MS;
    do {
      const { done, value } = work.next();
      if (done) return value;
    } while (performance.now() < until);
    await breath();
    if (signal?.aborted) {
      work.return(undefined as T);
      throw new NobodyWaits('nobody waits for it');
    }
  }
}
