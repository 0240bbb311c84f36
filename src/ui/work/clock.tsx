'use client';

import { useNow } from '../frame/bell.tsx';
import type { LeafProps } from '../job/leaf-props.ts';

export type Line = LeafProps['job']['lines'][number];

/** Worked time as `12 min` or `1 h 05`. */
export function sayWorked(ms: number): string {
  const minutes = Math.floor(ms / 60_000);
  return minutes < 60
    ? `${minutes} min`
    : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
}

/** What a step has taken so far, running on while it runs; `since` is a start the house has not heard of yet. */
export function Clock({ line, since }: { readonly line: Line; readonly since?: string | null }) {
  const now = useNow();
  const from = since === undefined ? line.runningSince : since;
  const running = from && now > 0 ? Math.max(0, now - Date.parse(from)) : 0;
  const { low, likely, high } = line.minutes;
  return (
    <span>
      {sayWorked(line.workedMs + running)} of about {likely} min ({low} to {high})
    </span>
  );
}
