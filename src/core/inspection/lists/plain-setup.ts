import type { Checklist } from '../checklist.ts';
import { BENCH_ARRIVAL } from './bench-arrival.ts';

/** What a plain setup looks at: what it moves, and what would turn it into something else. */
const KEYS: ReadonlySet<string> = new Set(
  `serial damage dry rattle
   strings tune octaves open-buzz fretted-buzz sight twist far-end relief rod action saddle-left nut-gap grip nut-cracks
   intonation contact break wrap pins ties saddle-screws thumbwheels bridge-place vibrato-return vibrato-float
   controls socket battery pickup-height tuners buttons
   fret-seat fret-wear fret-level fret-ends tarnish board bridge-lift cracks`
    .trim()
    .split(/\s+/),
);

/** The short list for a plain setup: the bench's own items, only fewer. A finding or a doubt is a reason to take the whole list. */
export const PLAIN_SETUP: Checklist = {
  id: 'plain-setup',
  name: 'Plain setup',
  version: 1,
  ends: [],
  items: BENCH_ARRIVAL.items.filter((i) => KEYS.has(i.key)),
};
