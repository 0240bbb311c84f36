'use client';

import dynamic from 'next/dynamic';

/** The library of charts draws in the browser only. */
export const AirPicture = dynamic(() => import('./air-chart.tsx').then((m) => m.AirChart), {
  ssr: false,
  loading: () => <div className="h-80" />,
});
