'use client';

import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState, useTransition } from 'react';
import { OwnChanges } from './own-changes.ts';
import { NotGiven } from './queries.tsx';

/** The wish that the screen be refreshed; `Live` hears it. */
export const REFRESH = 'rubrica:refresh';

/** Asks for the screen to be refreshed soon; many wishes together cost one refresh. */
export function refreshSoon(): void {
  window.dispatchEvent(new Event(REFRESH));
}

/** What this screen does itself: it looks again when that is answered. */
export const OWN = new OwnChanges(refreshSoon, () => window.location.pathname);

/** How long a screen waits after a change for others that come with it, ms. */
export const SETTLE_MS = 40;

/** What of a screen is refreshed by itself: a job's leaf, the rack, and the frame with its bell. */
export const JOB_KEY = 'job';
export const RACK_KEY = 'rack';
export const FRAME_KEY = 'frame';
/** What stands beside a page and loads itself, whatever the page does: it goes along with every refresh. */
export const BESIDE_KEY = 'beside';

/** The part a page shows that loads itself; null where the page is loaded as a whole. */
export const shownPart = (client: QueryClient): string | null =>
  [JOB_KEY, RACK_KEY].find(
    (key) => client.getQueryCache().findAll({ queryKey: [key], type: 'active' }).length > 0,
  ) ?? null;

/** Loads again what is shown under these names; whether the house gave it, or that it will not. */
async function reload(client: QueryClient, names: readonly string[]): Promise<'shown' | 'away' | 'refused'> {
  const done = await Promise.all(
    names.map((name) =>
      client.invalidateQueries({ queryKey: [name] }, { throwOnError: true }).then(
        () => 'shown' as const,
        (e: unknown) => (e instanceof NotGiven && e.status < 500 ? ('refused' as const) : ('away' as const)),
      ),
    ),
  );
  return done.includes('refused') ? 'refused' : done.includes('away') ? 'away' : 'shown';
}

/** What of a screen is looked at again: what it shows, and the frame around it; a page that is loaded whole has its frame with it. */
export interface Wanted {
  readonly content: boolean;
  readonly frame: boolean;
}

/**
 * Shows what there is now: a leaf and the rack load themselves, any other page is loaded whole.
 * @returns how to do it, which answers once it is shown; and whether a page is being loaded
 */
export function useRefresh() {
  const client = useQueryClient();
  const router = useRouter();
  const [loading, load] = useTransition();
  const [part, setPart] = useState(false);
  const shown = useRef<(() => void)[]>([]);
  useEffect(() => {
    if (!loading) for (const tell of shown.current.splice(0)) tell();
  }, [loading]);
  const page = useCallback(
    () =>
      new Promise<boolean>((resolve) => {
        shown.current.push(() => resolve(true));
        load(() => router.refresh());
      }),
    [router],
  );
  const refresh = useCallback(
    async ({ content = true, frame = true }: Partial<Wanted> = {}): Promise<boolean> => {
      const shownKey = shownPart(client);
      if (shownKey === null) {
        if (!content) return true;
        void reload(client, [BESIDE_KEY]);
        return page();
      }
      setPart(true);
      const done = await reload(client, [
        ...(content ? [shownKey, BESIDE_KEY] : []),
        ...(frame ? [FRAME_KEY] : []),
      ]);
      setPart(false);
      // Whom the house does not know any more, it sends elsewhere.
      return done === 'refused' ? page() : done === 'shown';
    },
    [client, page],
  );
  return { refresh, refreshing: loading || part };
}
