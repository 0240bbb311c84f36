'use client';

import { usePathname } from 'next/navigation';
import { useEffect } from 'react';
import { rememberPage } from './last-page.ts';
import { LooksAgain } from './looks-again.tsx';
import { OfflineShell } from './offline-shell.tsx';

/** What may come after the page itself: it remembers where one is, looks again where that is needed, and keeps the tablet going. */
export function AfterPage() {
  const path = usePathname();
  useEffect(() => rememberPage(path), [path]);
  return (
    <>
      <LooksAgain />
      <OfflineShell />
    </>
  );
}
