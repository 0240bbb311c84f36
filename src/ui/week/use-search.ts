import { useEffect, useRef, useState } from 'react';
import type { TriedWeek } from '../../core/schedule/difference.ts';
import type { BetterSoFar, WorkToSearch } from '../../core/schedule/look-for-better.ts';
import type { SearchAsked, SearchSaid } from '../../workers/week-worker.ts';
import { reportError } from '../data/report-error.ts';

/** How the search for a better plan stands. */
export type SearchState =
  | null
  | ({ readonly kind: 'searching' } & BetterSoFar)
  | { readonly kind: 'found'; readonly tried: TriedWeek }
  | { readonly kind: 'failed'; readonly message: string };

const NO_ANSWER = 'The house did not answer. Try again.';

/** The work as it stands now, or why there is none. */
async function askForWork(): Promise<WorkToSearch | { readonly message: string }> {
  const got = await fetch('/api/week/work', { cache: 'no-store' }).catch(() => null);
  if (got?.ok) return (await got.json()) as WorkToSearch;
  return got?.status === 429 ? ((await got.json()) as { message: string }) : { message: NO_ANSWER };
}

/**
 * Looks for a better plan on this machine, beside the page: nothing of it is computed by the house, and nothing is changed.
 * @returns how it stands; a way to begin, to stop and see what was found, and to drop it
 */
export function useSearch() {
  const [state, setState] = useState<SearchState>(null);
  const worker = useRef<Worker | null>(null);
  const turn = useRef(0);
  const end = (): void => {
    turn.current++;
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => end, []);

  const fail = (error: string): void => {
    reportError('the search for a better plan', new Error(error));
    end();
    setState({ kind: 'failed', message: 'The search broke off. Nothing is changed; try again.' });
  };
  const hear = (said: SearchSaid): void => {
    if (said.kind === 'failed') fail(said.error);
    else if (said.kind === 'so far') setState({ ...said, kind: 'searching' });
    else {
      end();
      setState({ kind: 'found', tried: said.tried });
    }
  };
  const ask = (asked: SearchAsked): void => worker.current?.postMessage(asked);
  const begin = async (seconds: number): Promise<void> => {
    end();
    const own = turn.current;
    setState({ kind: 'searching', tries: 0, better: 0 });
    const work = await askForWork();
    if (own !== turn.current) return;
    if ('message' in work) return setState({ kind: 'failed', message: work.message });
    const made = new Worker(new URL('../../workers/week-worker.ts', import.meta.url), { type: 'module' });
    worker.current = made;
    made.onmessage = ({ data }: MessageEvent<SearchSaid>) => hear(data);
    made.onerror = (e) => fail(e.message);
    ask({ kind: 'search', work, seconds });
  };
  const drop = (): void => {
    end();
    setState(null);
  };
  // Before there is a worker nothing was found that could be seen.
  return { state, begin, stop: () => (worker.current ? ask({ kind: 'stop' }) : drop()), drop };
}
