'use client';

import dynamic from 'next/dynamic';

/** What keeps a tablet going without a connection; it comes after the page itself. */
export const Shell = dynamic(() => import('./offline-shell.tsx').then((m) => m.OfflineShell), { ssr: false });
