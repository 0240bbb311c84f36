import type { OperationId } from '../catalogue/operation-ids.ts';
import type { Operation } from '../catalogue/operation.ts';
import type { Doubt } from './shop-work.ts';

/** A job that went home: its kind of instrument, and the hands-on minutes each operation took on it. */
export interface PastJob {
  readonly kind: string;
  readonly minutes: ReadonlyMap<OperationId, number>;
}

/** What jobs like one took here. Minutes. */
export interface SuchJobs {
  /** how many there were */
  readonly count: number;
  /** what at least half of them had besides, that is no part of a plain setup */
  readonly often: readonly OperationId[];
  /** all the rest of them, hands-on: the middle four fifths */
  readonly rest: Doubt;
}

/** Fewer say nothing. */
const ENOUGH = 5;
/** Of more, the newest speak for how it is done now. */
const MOST = 60;
const LEAST = 5;

/**
 * What jobs like one that is taken in took here: of the same kind of instrument, and with the same work where there were enough
 * of those.
 * @param past the newest first
 * @param named what it is known to want, each a step of its own
 * @returns null where there were too few
 */
export function suchJobs(
  past: readonly PastJob[],
  kind: string,
  named: readonly OperationId[],
  catalogue: readonly Operation[],
): SuchJobs | null {
  const ofKind = past.filter((p) => p.kind === kind && p.minutes.size > 0);
  const alike = ofKind.filter((p) => named.every((o) => p.minutes.has(o)));
  const such = (alike.length >= ENOUGH ? alike : ofKind).slice(0, MOST);
  if (such.length < ENOUGH) return null;
  const often = catalogue
    .filter((o) => !o.plain && !named.includes(o.id))
    .filter((o) => 2 * such.filter((p) => p.minutes.has(o.id)).length >= such.length)
    .map((o) => o.id);
  const apart = new Set<OperationId>([...named, ...often]);
  const rests = such
    .map((p) => [...p.minutes].reduce((sum, [o, minutes]) => (apart.has(o) ? sum : sum + minutes), 0))
    .sort((x, y) => x - y);
  const part = (p: number): number => Math.max(LEAST, rests[Math.round(p * (rests.length - 1))] ?? 0);
  return { count: such.length, often, rest: { low: part(0.1), likely: part(0.5), high: part(0.9) } };
}
