'use client';

import { useEffect } from 'react';

let shown: number | null = null;

/** The number of the one job this screen shows; null when it shows many, or all. */
export const shownJob = (): number | null => shown;

/** Says that the screen shows this job alone: what happens only on others' leaves is no reason to look again. */
export function ShowsJob({ number }: { readonly number: number }) {
  useEffect(() => {
    shown = number;
    return () => {
      shown = null;
    };
  }, [number]);
  return null;
}
