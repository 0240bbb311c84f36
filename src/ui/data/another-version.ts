/** What of a worker's registration tells that another version is there. */
export interface Watched extends EventTarget {
  readonly installing: EventTarget | null;
  readonly waiting: ServiceWorker | null;
}

/**
 * Tells which other version waits to be taken, at once and whenever that changes. One whose making was already under way when the page
 * began to watch is followed, too: on a slow tablet it is found before the page is alive.
 * @param has whether a worker serves this page already: the first one of all is no other version
 * @returns how to stop
 */
export function watchWaiting(
  worker: Watched,
  has: () => boolean,
  tell: (waiting: ServiceWorker | null) => void,
): () => void {
  const stop = new AbortController();
  const { signal } = stop;
  const look = (): void => tell(has() ? worker.waiting : null);
  const follow = (): void => worker.installing?.addEventListener('statechange', look, { signal });
  worker.addEventListener('updatefound', follow, { signal });
  follow();
  look();
  return () => stop.abort();
}
