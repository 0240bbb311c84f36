'use client';

import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { ToWorker } from '../../offline/kept-pages.ts';
import { watchWaiting } from './another-version.ts';

/** A page that somebody stays on for so long is worth keeping. */
const STAYS_MS = 1500;

/** The worker between this page and the house; null where a tablet has none, or the page is not secure. */
function useWorker(): ServiceWorkerRegistration | null {
  const [worker, setWorker] = useState<ServiceWorkerRegistration | null>(null);
  useEffect(() => {
    if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return;
    // Where a tablet does not let it be, the page goes on without.
    void navigator.serviceWorker.register('/sw.js', { scope: '/' }).then(
      (made: ServiceWorkerRegistration | undefined) => setWorker(made ?? null),
      () => setWorker(null),
    );
  }, []);
  return worker;
}

/** Another version that is there and waits to be taken. */
function useWaiting(worker: ServiceWorkerRegistration | null): ServiceWorker | null {
  const [waiting, setWaiting] = useState<ServiceWorker | null>(null);
  useEffect(() => {
    if (worker === null) return;
    return watchWaiting(worker, () => navigator.serviceWorker.controller !== null, setWaiting);
  }, [worker]);
  return waiting;
}

const tell = (to: ServiceWorker | null, words: ToWorker): void => to?.postMessage(words);

/** Keeps what this tablet shows for when the connection is away; says when another version is there. */
export function OfflineShell() {
  const path = usePathname();
  const worker = useWorker();
  const waiting = useWaiting(worker);
  useEffect(() => {
    if (worker === null) return;
    const timer = setTimeout(() => {
      tell(navigator.serviceWorker.controller, { kind: 'keep', path });
      void worker.update().catch(() => undefined);
    }, STAYS_MS);
    return () => clearTimeout(timer);
  }, [path, worker]);
  if (waiting === null) return null;
  const take = () => {
    navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), {
      once: true,
    });
    tell(waiting, { kind: 'take over' });
  };
  return (
    <p
      role="status"
      className="another-version no-print fixed right-0 bottom-0 left-21 z-20 flex items-center justify-center gap-3 border-t border-plain bg-card px-5 py-1 max-sm:bottom-14 max-sm:left-0"
    >
      Another version of Rubrica is here. What you type stays.
      <button type="button" className="button" onClick={take}>
        Take it now
      </button>
    </p>
  );
}
