'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense } from 'react';

const AskOfJob = lazyPart(() => import('./what-it-took.tsx').then((m) => m.AskOfJob));

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
