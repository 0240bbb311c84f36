import type { OperationId } from '../catalogue/operation-ids.ts';
import { operation, OPERATIONS } from '../catalogue/operations.ts';
import type { Operation } from '../catalogue/operation.ts';
import type { Undone } from './plan-input.ts';
import type { Plan } from './solve/plans.ts';

/** One line that is proposed: an operation of the plan, what it does in words, and what it rests on. */
export interface ProposalLine {
  /** the operation with what it does: another amount or direction is another line, so that a decision stays with its content */
  readonly key: string;
  readonly operation: OperationId;
  readonly title: string;
  /** what it does, in words with its amounts */
  readonly says: string;
  /** why: readings, formula and settings, a line each */
  readonly why: readonly string[];
  /** station keys of the readings it rests on */
  readonly restsOn: readonly string[];
  readonly warnings: readonly string[];
}

/** What stands at a place once the plan is carried out, mm or cents. */
export interface Forecast {
  readonly key: string;
  readonly value: number;
}

/** What is proposed for a job: the beginning of its plan, what comes after it, and what stays as it is. */
export interface Proposal {
  /** the steps up to the first after which must be read again */
  readonly lines: readonly ProposalLine[];
  /** what comes after that, as it is expected now: it is worked out anew from what is read then */
  readonly then: readonly ProposalLine[];
  /** what somebody decided against; everything else is worked out without it */
  readonly declined: readonly ProposalLine[];
  /** what is already good: leave it */
  readonly leave: readonly string[];
  /** stations still to read before the proposal is whole */
  readonly missing: readonly string[];
  /** stations whose reading is stale and was therefore not used */
  readonly stale: readonly string[];
  /** what is out of its band and waits to be read again, in words */
  readonly waits: readonly string[];
  /** what the plan leaves undone, each with why */
  readonly undone: readonly Undone[];
  /** what must be asked or looked at before anybody goes by it */
  readonly questions: readonly string[];
  readonly forecast: readonly Forecast[];
}

/**
 * The beginning of a plan: its operations up to the first after which something must be read again, with that one.
 * @param operations of the plan, in the order of the work
 */
export function beginning<T extends { readonly id: OperationId }>(
  operations: readonly T[],
  catalogue: readonly Operation[] = OPERATIONS,
): readonly T[] {
  // With the neck off nothing can be read: the rod is turned before it goes back.
  const turnedOff = (i: number): boolean =>
    operations[i]?.id === 'neck-off' && operations.slice(i + 1).some((o) => o.id === 'rod');
  const at = operations.findIndex(
    (o, i) =>
      !operation(o.id, catalogue).alongside && !turnedOff(i) && operation(o.id, catalogue).stale.length > 0,
  );
  return at < 0 ? operations : operations.slice(0, at + 1);
}

/** What two readings of one thing may differ by without being another promise, by unit. */
const STEP: Readonly<Record<Plan['operations'][number]['amounts'][number]['unit'], number>> = {
  mm: 0.02,
  cents: 1,
  degrees: 0.1,
  eighths: 0.5,
};

const SEED = 0x811c9dc5;
const PRIME = 0x01000193;

/** A short name for a text: 32 bits by FNV-1a, in eight hexadecimal digits. */
function digest(text: string): string {
  let hash = SEED;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), PRIME) >>> 0;
  return hash.toString(16).padStart(8, '0');
}

/**
 * The key of what an operation of a plan does: its id, and a digest of its direction and amounts to what a gauge tells apart.
 * A relief that is brought nearer by turns goes by its next turn alone.
 */
export function lineKey(o: Pick<Plan['operations'][number], 'id' | 'amounts' | 'found'>): string {
  const turn = o.amounts.filter((a) => a.unit === 'eighths');
  const amounts = turn.length > 0 ? turn : o.amounts;
  const said = amounts.map((a) => `${a.what} ${Math.round(a.amount / STEP[a.unit])}`);
  return `${o.id}:${digest([...said, ...o.found].join('|'))}`;
}
