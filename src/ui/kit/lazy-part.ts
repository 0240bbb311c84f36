'use client';

import { lazy, type ComponentType, type LazyExoticComponent } from 'react';

const AGAIN_MS = 1500;

/**
 * Fetches a part of the program until it is here. Without a connection a part that was never shown cannot be fetched: the place
 * where it belongs stays empty that long, and what stands around it goes on.
 * @param wait how it waits between two attempts
 */
export async function fetchPart<T>(
  load: () => Promise<T>,
  wait: () => Promise<void> = () => new Promise((go) => setTimeout(go, AGAIN_MS)),
): Promise<T> {
  for (;;) {
    try {
      return await load();
    } catch {
      await wait();
    }
  }
}

/** A component that comes when it is first shown, and is waited for where the connection is away. */
// oxlint-disable-next-line typescript/no-explicit-any -- props are the component's own
export const lazyPart = <C extends ComponentType<any>>(load: () => Promise<C>): LazyExoticComponent<C> =>
  lazy(async () => ({ default: await fetchPart(load) }));
