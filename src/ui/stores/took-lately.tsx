'use client';

import { lazy, Suspense } from 'react';

const AskOfJob = lazy(async () => ({ default: (await import('./what-it-took.tsx')).AskOfJob }));

/** Asks what the steps took that one finished lately, job by job. */
export function TookLately({ numbers }: { readonly numbers: readonly number[] }) {
  return (
    <Suspense fallback={null}>
      {numbers.map((n) => (
        <AskOfJob key={n} number={n} />
      ))}
    </Suspense>
  );
}
