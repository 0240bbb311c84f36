'use client';

import { Bell as BellIcon } from 'lucide-react';
import Link from '../kit/link.tsx';
import { PopUp } from '../kit/pop-up.tsx';
import { useEffect, useState } from 'react';
import { sayLeft } from '../../core/work/waits.ts';
import type { BenchWait } from '../../server/bench/load-waits.ts';
import { sayMoment } from '../kit/dates.ts';
import { useMounted } from '../data/draft.ts';
import { useSend } from '../data/use-send.ts';

export interface BellNotice {
  readonly id: number;
  readonly kind: string;
  readonly words: string;
  readonly at: string;
  readonly number: number;
}

const LEAF: Readonly<Record<string, string>> = { handed: 'work', customer: 'work' };
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
  const { give, busy } = useSend();
  const alive = useMounted();
  const now = useNow();
  const over = alive ? waits.filter((w) => w.until <= now) : [];
  const count = notices.length + over.length;
  const newest = notices[0];
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
        <>
          <h2 className="text-lg">For you</h2>
          {count === 0 && <p className="text-quiet">Nothing new.</p>}
          <ul className="divide-y divide-line">
            {over.map((w) => (
              <li key={`${w.number} ${w.until}`}>
                <Link href={`/job/${w.number}/work`} className="block min-h-11 py-2 hover:bg-shade">
                  <b className="font-serif">{w.number}</b> The rest is over: {w.title}
                </Link>
              </li>
            ))}
            {notices.map((n) => (
              <li key={n.id}>
                <Link
                  href={`/job/${n.number}/${LEAF[n.kind] ?? 'work'}`}
                  className="block min-h-11 py-2 hover:bg-shade"
                >
                  {n.words} <span className="text-sm text-quiet">{sayMoment(n.at)}</span>
                </Link>
              </li>
            ))}
          </ul>
          {newest && (
            <button
              type="button"
              className="button mt-2"
              disabled={busy}
              onClick={() => void give('people.seen', { upTo: newest.id })}
            >
              All seen
            </button>
          )}
          {alive && waits.some((w) => w.until > now) && (
            <>
              <h2 className="mt-3 text-lg">Resting</h2>
              <ul className="text-sm">
                {waits
                  .filter((w) => w.until > now)
                  .map((w) => (
                    <li key={`${w.number} ${w.until}`}>
                      <b className="font-serif">{w.number}</b> {w.title}: {sayLeft(now, w.until)}
                    </li>
                  ))}
              </ul>
            </>
          )}
        </>
      )}
    </PopUp>
  );
}
