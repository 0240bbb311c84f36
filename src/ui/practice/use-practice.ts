'use client';

import { useEffect, useRef } from 'react';
import type { Act } from '../../core/practice/acts.ts';
import { useSend } from '../data/use-send.ts';

/**
 * Does things at a practice instrument, one after the other: a quick hand loses nothing and never meets itself.
 * @param version how many things the page shows as done
 */
export function usePractice(sessionId: number, version: number) {
  const { give, busy, trouble } = useSend();
  const known = useRef(version);
  useEffect(() => {
    known.current = Math.max(known.current, version);
  }, [version]);
  const before = useRef<Promise<unknown>>(Promise.resolve());
  /** @returns whether it was done */
  const act = (what: Act): Promise<boolean> => {
    const done = before.current.then(async () => {
      const got = await give('practice.do', { sessionId, version: known.current, act: what });
      if (got) known.current = got.version;
      return got !== null;
    });
    before.current = done.catch(() => undefined);
    return done;
  };
  const handBack = (named: readonly string[]): Promise<boolean> => {
    const done = before.current.then(async () => {
      const got = await give('practice.end', { sessionId, version: known.current, named: [...named] });
      return got !== null;
    });
    before.current = done.catch(() => undefined);
    return done;
  };
  return { act, handBack, busy, trouble };
}

/** What does things at a practice instrument. */
export type Practice = ReturnType<typeof usePractice>;
