import type { Quantity } from './quantities.ts';
import type { RoundKind } from './rounds.ts';

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
  /** standard uncertainty, mm or cents, where the gauge is known */
  readonly uncertainty?: number | null | undefined;
  /** how it was read, where the practice differs from the reference */
  readonly methodId?: string | undefined;
  /** says from what it was converted, where it was not read this way itself */
  readonly converted?: string | null | undefined;
}

/** The newest usable reading of each station. Readings that are not representative never stand in. */
export function latestReadings<R extends Reading>(readings: readonly R[]): ReadonlyMap<string, R> {
  const latest = new Map<string, R>();
  for (const r of readings) {
    if (r.notRepresentative !== null) continue;
    const known = latest.get(r.key);
    if (known === undefined || known.takenAt < r.takenAt) latest.set(r.key, r);
  }
  return latest;
}
