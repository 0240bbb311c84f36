'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { WifiOff } from 'lucide-react';

const SETTLE_MS = 120;
const PATIENCE_MS = 1500;
const AGAIN_MS = 1500;

/** Listens to the house and shows what colleagues changed; says when the connection is lost. */
export function Live() {
  const router = useRouter();
  const [lost, setLost] = useState(false);
  useEffect(() => {
    let wait: ReturnType<typeof setTimeout> | undefined;
    let grace: ReturnType<typeof setTimeout> | undefined;
    let opened = false;
    const source = new EventSource('/api/events');
    const look = (after = SETTLE_MS) => {
      clearTimeout(wait);
      wait = setTimeout(() => void lookNow(), after);
    };
    // The router leaves the page when it cannot fetch it: ask first whether the house is there, and wait if it is not.
    const lookNow = async () => {
      const there = await fetch('/api/health', { cache: 'no-store' }).then(
        (r) => r.ok,
        () => false,
      );
      if (there) router.refresh();
      else look(AGAIN_MS);
    };
    source.onmessage = () => look();
    source.addEventListener('open', () => {
      clearTimeout(grace);
      setLost(false);
      // After a gap something may have been missed.
      if (opened) look();
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
