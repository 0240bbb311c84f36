import type { Construction } from './construction.ts';
import type { StringFact } from './construction-facts.ts';
import { KIND_RECORDS, type Kind } from './kinds.ts';

/** Sensible facts for a kind, to be changed in seconds at the counter. */
export const usualConstruction = (kind: Kind): Construction => ({ kind, ...KIND_RECORDS[kind].usual });

/** Says a set by its outer gauges in inches: `.012–.053`. */
export function gaugeSpan(strings: readonly StringFact[]): string {
  const thou = strings.map((s) => Math.round(s.gauge / 0.0254));
  const say = (n: number) => `.${String(n).padStart(3, '0')}`;
  return thou.length === 0 ? 'no strings' : `${say(Math.min(...thou))}–${say(Math.max(...thou))}`;
}

/** Says the open notes, lowest first, without octaves: `E A D G B E`. */
export const tuningName = (strings: readonly StringFact[]): string =>
  strings.map((s) => s.note.replace(/-?\d+$/, '')).join(' ');
