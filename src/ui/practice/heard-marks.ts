import type { HeardMark } from '../../core/practice/bench-view.ts';

/** How a pluck sounded, as a sign. */
export const HEARD_MARKS: Readonly<Record<HeardMark, string>> = {
  clear: '●',
  close: '●',
  buzz: '▲',
  choked: '✕',
  besides: '≈',
};
