'use client';

import {
  QueryClient,
  QueryClientProvider,
  useQuery,
  useQueryClient,
  type QueryKey,
} from '@tanstack/react-query';
import { useEffect, useState, type ReactNode } from 'react';

/** What was not given: the server's answer, by its status. */
export class NotGiven extends Error {
  readonly status: number;

  constructor(status: number) {
    super(`answered ${status}`);
    this.status = status;
  }
}

/** Keeps what the screens have loaded. What changes is heard of, so that nothing is asked for by itself. */
export function Queries({ children }: { readonly children: ReactNode }) {
  const [client] = useState(
    () =>
      new QueryClient({
        defaultOptions: {
          queries: {
            staleTime: Infinity,
            gcTime: 0,
            retry: false,
            refetchOnWindowFocus: false,
            refetchOnReconnect: false,
            networkMode: 'always',
          },
        },
      }),
  );
  return <QueryClientProvider client={client}>{children}</QueryClientProvider>;
}

/** What the house says at an address. */
export async function getJson<T>(path: string, signal: AbortSignal): Promise<T> {
  const answer = await fetch(path, { cache: 'no-store', signal });
  if (!answer.ok) throw new NotGiven(answer.status);
  return (await answer.json()) as T;
}

/** What a page brought with it that was shown before: the router shows it again when one goes back. */
const shownBefore = new WeakSet<object>();

/**
 * What a page was sent with, and later what the house says at its address.
 * @param initial what the page brought; it may be an old one where the router kept it
 */
export function useLoaded<T extends object>(key: QueryKey, path: string, initial: T): T {
  const client = useQueryClient();
  const { data } = useQuery<T>({
    queryKey: key,
    queryFn: ({ signal }) => getJson<T>(path, signal),
    initialData: initial,
  });
  const [first] = useState(initial);
  const name = JSON.stringify(key);
  useEffect(() => {
    const old = shownBefore.has(initial) || initial !== first;
    shownBefore.add(initial);
    if (old) void client.invalidateQueries({ queryKey: JSON.parse(name) as QueryKey });
  }, [client, first, initial, name]);
  return data;
}
