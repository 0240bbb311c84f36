'use client';

import { Bell as BellIcon } from 'lucide-react';
import { lazyPart } from '../kit/lazy-part.ts';
import { PopUp } from '../kit/pop-up.tsx';
import { Suspense, useEffect, useState } from 'react';
import type { BenchWait } from '../../server/bench/load-waits.ts';
import { useMounted } from '../data/draft.ts';
import type { BellNotice } from './bell-panel.tsx';

const BellPanel = lazyPart(() => import('./bell-panel.tsx').then((m) => m.BellPanel));

const TICK_MS = 5000;

/** The time, again and again; 0 until the page is alive. */
export function useNow(every: number = TICK_MS): number {
  const [now, setNow] = useState(0);
  useEffect(() => {
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, every);
    return () => clearInterval(timer);
  }, [every]);
  return now;
}

/** A quiet bell: who asked, answered, named or handed on to this person, and which rests are over. */
export function Bell({
  notices,
  waits,
}: {
  readonly notices: readonly BellNotice[];
  readonly waits: readonly BenchWait[];
}) {
  const alive = useMounted();
  const now = useNow();
  const over = alive ? waits.filter((w) => w.until <= now) : [];
  const count = notices.length + over.length;
  const resting = alive ? waits.filter((w) => w.until > now) : [];
  return (
    <PopUp
      label={count === 0 ? 'Bell: nothing new' : `Bell: ${count} new`}
      className="relative flex h-11 w-11 cursor-pointer items-center justify-center"
      face={
        <>
          <BellIcon aria-hidden size={22} />
          {count > 0 && (
            <span
              aria-hidden
              className="absolute top-0 right-0 min-w-5 rounded-full bg-paper px-1 text-center text-xs font-bold text-plain"
            >
              {count}
            </span>
          )}
        </>
      }
      panel="fixed top-auto right-auto bottom-2 left-22 m-0 max-h-96 w-96 max-w-[90vw] overflow-auto border border-plain bg-card p-4 text-plain shadow-lg max-sm:right-2 max-sm:bottom-16 max-sm:left-auto"
    >
      {() => (
        <Suspense fallback={<div className="h-24" />}>
          <BellPanel notices={notices} over={over} resting={resting} now={now} />
        </Suspense>
      )}
    </PopUp>
  );
}
