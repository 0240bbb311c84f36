'use client';

import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useRef, useState, useTransition } from 'react';
import { WifiOff } from 'lucide-react';
import { concerns, type HeardChange } from '../../core/job/concerns.ts';
import { REFRESH, refreshSoon, SETTLE_MS } from './refresh.ts';
import { rememberPage } from './last-page.ts';
import { patient } from './patient-fetch.ts';
import { shownJob } from './shows-job.tsx';

const PATIENCE_MS = 1500;
const AGAIN_MS = 1500;
/** What was heard of the house so lately says that it is there. */
const JUST_NOW_MS = 1000;

/** Listens to the house and shows what colleagues changed; says when the connection is lost. */
export function Live() {
  const router = useRouter();
  const path = usePathname();
  useEffect(() => rememberPage(path), [path]);
  const [lost, setLost] = useState(false);
  const [looking, look] = useTransition();
  const busy = useRef(false);
  const missed = useRef(false);
  useEffect(() => {
    const plain = window.fetch;
    window.fetch = patient(plain.bind(window));
    return () => {
      window.fetch = plain;
    };
  }, []);
  useEffect(() => {
    busy.current = looking;
    if (looking || !missed.current) return;
    missed.current = false;
    refreshSoon();
  }, [looking]);
  useEffect(() => {
    let wait: ReturnType<typeof setTimeout> | undefined;
    let grace: ReturnType<typeof setTimeout> | undefined;
    let opened = false;
    let heardAt = -Infinity;
    const source = new EventSource('/api/events');
    // One look serves all that changed until it begins, and one more all that changed while it ran: a flood of changes
    // neither puts the look off for ever nor queues one look for each of them.
    const soon = (after = SETTLE_MS) => {
      if (busy.current) missed.current = true;
      else wait ??= setTimeout(() => void now(), after);
    };
    // Ask first whether the house is there, where it was not heard of just now: a look that has to wait for the connection would hold all later ones back.
    const now = async () => {
      const there =
        performance.now() - heardAt < JUST_NOW_MS ||
        (await fetch('/api/health', { cache: 'no-store' }).then(
          (r) => r.ok,
          () => false,
        ));
      wait = undefined;
      if (!there) return soon(AGAIN_MS);
      // Sums show nothing of the house and keep what is typed in the address: looking again would only disturb the hand.
      if (window.location.pathname.startsWith('/sums/')) return;
      busy.current = true;
      look(() => router.refresh());
    };
    const asked = () => soon();
    window.addEventListener(REFRESH, asked);
    source.onmessage = ({ data }: MessageEvent<string>) => {
      heardAt = performance.now();
      const heard = JSON.parse(data) as HeardChange[];
      if (heard.some((change) => concerns(change, shownJob()))) asked();
    };
    source.addEventListener('open', () => {
      clearTimeout(grace);
      setLost(false);
      // After a gap something may have been missed.
      if (opened) soon();
      opened = true;
      document.documentElement.dataset['live'] = 'yes';
    });
    source.onerror = () => {
      clearTimeout(grace);
      grace = setTimeout(() => setLost(true), PATIENCE_MS);
    };
    return () => {
      clearTimeout(wait);
      clearTimeout(grace);
      window.removeEventListener(REFRESH, asked);
      source.close();
      delete document.documentElement.dataset['live'];
    };
  }, [router]);
  if (!lost) return null;
  return (
    <p
      role="status"
      className="fixed inset-x-0 bottom-0 z-50 flex items-center justify-center gap-2 bg-rubric p-2 text-paper"
    >
      <WifiOff aria-hidden size={18} /> No connection to the shop. What you type is kept on this tablet until
      it returns.
    </p>
  );
}
