import type { LengthUnit } from '../units/length-units.ts';
import { QUANTITY_FACTS, type Quantity } from './quantities.ts';

/** A gauge of the shop. Resolution and zero offset in mm, or cents for a tuner. */
export interface Gauge {
  readonly id: number;
  readonly name: string;
  /** what it is used for when nobody says otherwise */
  readonly quantities: readonly Quantity[];
  readonly unit: LengthUnit;
  readonly resolution: number;
  /** what it shows when it should show nothing */
  readonly zeroOffset: number;
  /** ms since the epoch; null when it was never compared with a reference */
  readonly checkedAt: number | null;
  readonly checkEveryDays: number;
}

const DAY_MS = 86_400_000;
/** A gauge that is overdue is believed half as well. */
const OVERDUE_FACTOR = 2;

/**
 * The gauges that can read a quantity: whatever reads lengths any length, other quantities those that are kept for them.
 * @example readers('intonation', [{ quantities: ['action'] }]) → []
 */
export const readers = <G extends Pick<Gauge, 'quantities'>>(
  quantity: Quantity,
  gauges: readonly G[],
): readonly G[] =>
  gauges.filter(({ quantities }) =>
    QUANTITY_FACTS[quantity].measure === 'length'
      ? quantities.length === 0 || quantities.some((q) => QUANTITY_FACTS[q].measure === 'length')
      : quantities.includes(quantity),
  );

/** When a gauge is due for its next check, ms since the epoch; null when it was never checked. */
export const checkDue = ({ checkedAt, checkEveryDays }: Pick<Gauge, 'checkedAt' | 'checkEveryDays'>) =>
  checkedAt === null ? null : checkedAt + checkEveryDays * DAY_MS;

/** Whether a gauge should be compared with its reference before it is trusted. */
export function isOverdue(gauge: Pick<Gauge, 'checkedAt' | 'checkEveryDays'>, now: number): boolean {
  const due = checkDue(gauge);
  return due === null || now > due;
}

/** Spread of one reading: half the width of a range, or the deviation of `of` repeated readings. */
export interface Spread {
  readonly kind: 'range' | 'repeated';
  readonly size: number;
  readonly of: number;
}

/**
 * Standard uncertainty of a reading, in its unit: the gauge's resolution as an even spread (res/√12), twice that when the
 * gauge is overdue, and the reading's own spread (half range/√3, or deviation/√n), added in squares.
 * @example uncertainty(0.05, false, null) → 0.0144
 */
export function uncertainty(resolution: number, overdue: boolean, spread: Spread | null): number {
  const gauge = (resolution / Math.sqrt(12)) * (overdue ? OVERDUE_FACTOR : 1);
  const own =
    spread === null
      ? 0
      : spread.kind === 'range'
        ? spread.size / Math.sqrt(3)
        : spread.size / Math.sqrt(Math.max(1, spread.of));
  return Math.hypot(gauge, own);
}

/** What two standard uncertainties span: the amount under which a difference says nothing (about 95 %). */
export const tellsApart = (...standard: readonly (number | null | undefined)[]): number =>
  2 * Math.hypot(...standard.map((u) => u ?? 0));
