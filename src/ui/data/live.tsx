'use client';

import { useEffect, useRef, useState, type ComponentType } from 'react';
import { CloudOff } from 'lucide-react';
import { concerns, concernsFrame, type Change } from '../../contracts/concerns.ts';
import { OWN, REFRESH, SETTLE_MS, useRefresh, type Wanted } from './refresh.ts';
import { refreshLoop } from './refresh-loop.ts';
import { HEARD } from './page-events.ts';
import { retrying } from './retrying-fetch.ts';
import { shownJob } from './shows-job.tsx';

/** How long the connection may be away before it is said. */
const GRACE_MS = 1500;
const AGAIN_MS = 1500;
/** An event so recent says that the house is there. */
const JUST_NOW_MS = 1000;

const isThere = (): Promise<boolean> =>
  fetch('/api/health', { cache: 'no-store' }).then(
    (r) => r.ok,
    () => false,
  );

const later = (work: () => void, ms: number) => {
  const timer = setTimeout(work, ms);
  return () => clearTimeout(timer);
};

/** Answers of a house that is away for a moment are asked for again, on every page. */
function useRetryingFetch(): void {
  useEffect(() => {
    const plain = window.fetch;
    window.fetch = retrying(plain.bind(window));
    return () => {
      window.fetch = plain;
    };
  }, []);
}

/**
 * Subscribes to the house's events and refreshes what they concern; whether the connection is lost.
 * @param since how far the event log went when the page was made
 */
function useEvents(since: string): boolean {
  const [lost, setLost] = useState(false);
  const { refresh } = useRefresh();
  const [from] = useState(since);
  const doing = useRef(refresh);
  useEffect(() => {
    doing.current = refresh;
  });
  useEffect(() => {
    let grace: ReturnType<typeof setTimeout> | undefined;
    let begun = false;
    let eventAt = -Infinity;
    const wanted = { content: false, frame: false };
    const loop = refreshLoop({
      settle: SETTLE_MS,
      again: AGAIN_MS,
      later,
      refresh: async () => {
        // A page that waits for the connection would hold all later ones back: ask first whether the house is there.
        if (performance.now() - eventAt >= JUST_NOW_MS && !(await isThere())) return false;
        // Sums show nothing of the house and keep what is typed in the address: a refresh would only disturb the hand.
        if (location.pathname.startsWith('/sums/')) return true;
        const now = { ...wanted };
        Object.assign(wanted, { content: false, frame: false });
        const done = await doing.current(now).catch(() => false);
        if (!done) want(now);
        return done;
      },
    });
    const want = ({ content, frame }: Wanted) => {
      wanted.content ||= content;
      wanted.frame ||= frame;
    };
    const ask = (what: Wanted) => {
      want(what);
      if (what.content || what.frame) loop.ask();
    };
    const soon = () => ask({ content: true, frame: false });
    const source = new EventSource(`/api/events?since=${from}`);
    window.addEventListener(REFRESH, soon);
    source.onmessage = ({ data }: MessageEvent<string>) => {
      eventAt = performance.now();
      const heard = JSON.parse(data) as Change[];
      dispatchEvent(new CustomEvent(HEARD, { detail: heard }));
      const changes = heard.filter((c) => concerns(c, shownJob()));
      const others = changes.filter((c) => !OWN.passesOver(c.command));
      ask({ content: others.length > 0, frame: changes.some(concernsFrame) });
    };
    // Not the connection's own `open`: only from here on the house listens for this screen.
    source.addEventListener('begun', () => {
      clearTimeout(grace);
      setLost(false);
      // After a gap something may have been missed.
      if (begun) ask({ content: true, frame: true });
      begun = true;
      document.documentElement.dataset['live'] = 'yes';
    });
    source.addEventListener('signed-out', () => {
      source.close();
      location.assign('/sign-in');
    });
    source.onerror = () => {
      clearTimeout(grace);
      grace = setTimeout(() => setLost(true), GRACE_MS);
    };
    return () => {
      clearTimeout(grace);
      loop.stop();
      window.removeEventListener(REFRESH, soon);
      source.close();
      delete document.documentElement.dataset['live'];
    };
  }, [from]);
  return lost;
}

/** What may come after the page itself. */
function useAfterPage(): ComponentType | null {
  const [after, setAfter] = useState<ComponentType | null>(null);
  useEffect(() => void import('./after-page.tsx').then((m) => setAfter(() => m.AfterPage)), []);
  return after;
}

/**
 * Shows what colleagues changed; says when the connection is lost.
 * @param since how far the event log went when the page was made
 */
export function Live({ since }: { readonly since: string }) {
  useRetryingFetch();
  const lost = useEvents(since);
  const After = useAfterPage();
  return (
    <>
      {After && <After />}
      {lost && (
        <p
          role="status"
          className="fixed inset-x-0 bottom-0 z-50 flex items-center justify-center gap-2 bg-rubric p-2 text-paper"
        >
          <CloudOff aria-hidden size={18} /> No connection to the shop. What you type is kept on this tablet
          until it returns.
        </p>
      )}
    </>
  );
}
