import type { Quantity } from './quantities.ts';

/** Rounds in the order of the work. */
export const ROUND_KINDS = ['as-found', 'after-work', 'as-left'] as const;
export type RoundKind = (typeof ROUND_KINDS)[number];

export const ROUND_NAMES: Readonly<Record<RoundKind, string>> = {
  'as-found': 'As found',
  'after-work': 'After work',
  'as-left': 'As left',
};

/** A reading as the sums use it: value in mm or cents, when it was taken (ms since the epoch). */
export interface Reading {
  readonly key: string;
  readonly quantity: Quantity;
  readonly string: number;
  readonly fret: number;
  readonly value: number;
  readonly round: RoundKind;
  readonly takenAt: number;
  /** why it is not used, or null */
  readonly notRepresentative: string | null;
}

/** The newest usable reading of each station. Readings that are not representative never stand in. */
export function latestReadings(readings: readonly Reading[]): ReadonlyMap<string, Reading> {
  const latest = new Map<string, Reading>();
  for (const r of readings) {
    if (r.notRepresentative !== null) continue;
    const known = latest.get(r.key);
    if (known === undefined || known.takenAt < r.takenAt) latest.set(r.key, r);
  }
  return latest;
}
