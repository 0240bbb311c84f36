'use client';

import { usePathname, useSearchParams } from 'next/navigation';
import { useEffect, useRef, useState, type ComponentType } from 'react';
import { CloudOff } from 'lucide-react';
import { concerns, concernsFrame, type Change } from '../../contracts/concerns.ts';
import { REFRESH, refreshSoon, SETTLE_MS, useRefresh } from './refresh.ts';
import { refreshLoop } from './refresh-loop.ts';
import { rememberPage } from './last-page.ts';
import { OnTheWay, type Leaving } from './on-the-way.ts';
import { LEAVING, PAGE_COMES } from './page-comes.tsx';
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

/** Where one goes to another page, what is heard until it is there is looked at once more when it is. */
function useOnTheWay(loadsItself: () => boolean): OnTheWay {
  const [way] = useState(() => new OnTheWay());
  const [path, query] = [usePathname(), useSearchParams().toString()];
  const comes = useRef(false);
  useEffect(() => {
    const leave = (e: Event) => way.leave((e as CustomEvent<Leaving>).detail);
    // What the page itself says of the job it shows is said by its own effects, which come after this.
    const come = (e: Event) => {
      comes.current = (e as CustomEvent<boolean>).detail;
      if (!comes.current) setTimeout(() => way.arrive(shownJob(), loadsItself()) && refreshSoon());
    };
    window.addEventListener(LEAVING, leave);
    window.addEventListener(PAGE_COMES, come);
    return () => {
      window.removeEventListener(LEAVING, leave);
      window.removeEventListener(PAGE_COMES, come);
    };
  }, [way, loadsItself]);
  useEffect(() => {
    if (!comes.current && way.arrive(shownJob(), loadsItself())) refreshSoon();
  }, [way, loadsItself, path, query]);
  return way;
}

/**
 * Subscribes to the house's events and refreshes what they concern; whether the connection is lost.
 * @param since how far the event log went when the page was made
 */
function useEvents(since: string): boolean {
  const [lost, setLost] = useState(false);
  const { refresh, loadsItself } = useRefresh();
  const way = useOnTheWay(loadsItself);
  const [from] = useState(since);
  const doing = useRef(refresh);
  useEffect(() => {
    doing.current = refresh;
  });
  useEffect(() => {
    let grace: ReturnType<typeof setTimeout> | undefined;
    let opened = false;
    let eventAt = -Infinity;
    let frame = false;
    const loop = refreshLoop({
      settle: SETTLE_MS,
      again: AGAIN_MS,
      later,
      refresh: async () => {
        // A page that waits for the connection would hold all later ones back: ask first whether the house is there.
        if (performance.now() - eventAt >= JUST_NOW_MS && !(await isThere())) return false;
        // Sums show nothing of the house and keep what is typed in the address: a refresh would only disturb the hand.
        if (window.location.pathname.startsWith('/sums/')) return true;
        const withFrame = frame;
        frame = false;
        const done = await doing.current({ frame: withFrame });
        if (!done) frame ||= withFrame;
        return done;
      },
    });
    const all = () => {
      frame = true;
      loop.ask();
    };
    const source = new EventSource(`/api/events?since=${from}`);
    window.addEventListener(REFRESH, loop.ask);
    source.onmessage = ({ data }: MessageEvent<string>) => {
      eventAt = performance.now();
      const heard = JSON.parse(data) as Change[];
      way.hear(heard);
      const changes = heard.filter((c) => concerns(c, shownJob()));
      frame ||= changes.some(concernsFrame);
      if (changes.length > 0) loop.ask();
    };
    source.addEventListener('open', () => {
      clearTimeout(grace);
      setLost(false);
      // After a gap something may have been missed.
      if (opened) all();
      opened = true;
      document.documentElement.dataset['live'] = 'yes';
    });
    source.addEventListener('signed-out', () => {
      source.close();
      window.location.assign('/sign-in');
    });
    source.onerror = () => {
      clearTimeout(grace);
      grace = setTimeout(() => setLost(true), GRACE_MS);
    };
    return () => {
      clearTimeout(grace);
      loop.stop();
      window.removeEventListener(REFRESH, loop.ask);
      source.close();
      delete document.documentElement.dataset['live'];
    };
  }, [from, way]);
  return lost;
}

/** What keeps a tablet going without a connection; it comes after the page itself. */
function useOfflineShell(): ComponentType | null {
  const [shell, setShell] = useState<ComponentType | null>(null);
  useEffect(() => void import('./offline-shell.tsx').then((m) => setShell(() => m.OfflineShell)), []);
  return shell;
}

/**
 * Shows what colleagues changed; says when the connection is lost.
 * @param since how far the event log went when the page was made
 */
export function Live({ since }: { readonly since: string }) {
  const path = usePathname();
  useEffect(() => rememberPage(path), [path]);
  useRetryingFetch();
  const lost = useEvents(since);
  const Offline = useOfflineShell();
  return (
    <>
      {Offline && <Offline />}
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
