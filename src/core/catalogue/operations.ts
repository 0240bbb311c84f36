import { holds, type FactsOfConditions } from '../instrument/condition.ts';
import type { Operation } from './operation.ts';
import { OPERATION_IDS, type OperationId } from './operation-ids.ts';
import { op, type OperationRecord, type OperationTraits } from './operation-record.ts';
import { SHIPPED } from './shipped.ts';

const shipped = (id: keyof typeof SHIPPED): Operation => {
  const record: OperationRecord = SHIPPED[id];
  // Ids of other operations are held against the list by a test.
  return { id, ...record } as Operation;
};

/** The shop's catalogue as shipped, in the order of the work. */
export const OPERATIONS: readonly Operation[] = OPERATION_IDS.map(shipped);

/** An operation as a shop keeps it; one from before what it is known for was kept lacks that. */
export type KeptOperation = Omit<Operation, keyof OperationTraits> & {
  readonly [K in keyof OperationTraits]?: OperationTraits[K] | undefined;
};

/** An operation of the shop’s own that nothing is known of yet. */
export const ownOperation = (id: OperationId, name: string): Operation =>
  ({ id, ...op(name, 75, [10, 20, 30], 0) }) as Operation;

/**
 * A kept operation with what it is known for: where that was not kept, as it ships. What ships for it once it is done goes with the
 * sentence that ships: who wrote one of their own is not said another.
 */
export function wholeOperation(kept: KeptOperation): Operation {
  const known = OPERATIONS.find((o) => o.id === kept.id) ?? ownOperation(kept.id, kept.name);
  const said = Object.entries(kept).filter(([, v]) => v !== undefined);
  const done = (kept.customer ?? known.customer) === known.customer ? known.done : '';
  return { ...known, done, ...(Object.fromEntries(said) as Partial<Operation>) };
}

const KNOWN = new WeakMap<readonly Operation[], ReadonlyMap<OperationId, Operation>>();

/** A catalogue by ids, made once for each: the search asks for one many thousand times. */
function byId(catalogue: readonly Operation[]): ReadonlyMap<OperationId, Operation> {
  const known = KNOWN.get(catalogue);
  if (known) return known;
  const made = new Map(catalogue.map((o) => [o.id, o]));
  KNOWN.set(catalogue, made);
  return made;
}

/**
 * An operation by its id: as the shop has it, or as it ships where the shop does not offer it any more. Of one of the shop's own
 * that is gone only its name is known.
 */
export function operation(id: OperationId, catalogue: readonly Operation[] = OPERATIONS): Operation {
  const found = byId(catalogue).get(id) ?? byId(OPERATIONS).get(id);
  if (found) return found;
  if (id.startsWith('own-'))
    return { ...ownOperation(id, id.slice(4).replace(/-/g, ' ')), minutes: { low: 0, likely: 0, high: 0 } };
  throw new RangeError(`no operation ${id}`);
}

/**
 * The operations that are for an instrument like this; all of them where nothing is known of it.
 * @param chosen those that are chosen already: they stay, whatever they are for
 */
export const fittingOf = <O extends Pick<Operation, 'id' | 'fits'>>(
  catalogue: readonly O[],
  construction: FactsOfConditions | null,
  chosen: readonly OperationId[] = [],
): readonly O[] =>
  construction === null
    ? catalogue
    : catalogue.filter((o) => chosen.includes(o.id) || holds(o.fits, construction));

/** The operation of a line of an order as it was agreed; the catalogue's for one from before that was kept. */
export const agreedOperation = (
  line: { readonly operation: OperationId; readonly record?: KeptOperation | null | undefined },
  catalogue: readonly Operation[],
): Operation => (line.record ? wholeOperation(line.record) : operation(line.operation, catalogue));

/** Whether it takes something away for good, and so is begun short of its line and read before the rest. */
export const takesAway = (op: Pick<Operation, 'reversible' | 'takesFrom' | 'alongString'>): boolean =>
  !op.reversible && (op.takesFrom !== null || op.alongString);

/** What is said of doing it where it cannot be undone; empty where it can. */
export const sayForGood = (op: Pick<Operation, 'reversible' | 'takesFrom' | 'alongString'>): string =>
  op.reversible ? '' : `cannot be undone${takesAway(op) ? ': first cut, rest, then read again' : ''}`;

/** Whether a set of strings goes on with it that has its price. */
export const bringsSet = (op: Pick<Operation, 'strings' | 'takesFrom' | 'parts'>): boolean =>
  isStringing(op) && op.parts > 0;

/** Whether it is the stringing itself, not a cut after which strings go on again. */
export const isStringing = (op: Pick<Operation, 'strings' | 'takesFrom'>): boolean =>
  op.strings === 'on' && op.takesFrom === null;

/**
 * Whether to finish it is to say which strings went on: the stringing where they are off, or where a set is its own purpose and
 * nobody has said yet which.
 * @param last what was done to the strings last on this job
 */
export const saysStrings = (op: Operation, state: string, last: 'off' | 'on' | null): boolean =>
  isStringing(op) && (state === 'off' || (op.stale.length > 0 && last !== 'on'));

/** What a customer reads of a line: the operation’s own sentence for them; the line’s name where it has none. */
export const customerSays = (
  line: {
    readonly operation: OperationId;
    readonly title: string;
    readonly record?: KeptOperation | null | undefined;
  },
  catalogue: readonly Operation[],
): string => agreedOperation(line, catalogue).customer || line.title;

/** What a customer reads of a line where work is told afterwards: as done once it is, as what is to be done until then. */
export function customerIsTold(
  line: Parameters<typeof customerSays>[0] & { readonly step: string },
  catalogue: readonly Operation[],
): string {
  const { customer, done } = agreedOperation(line, catalogue);
  const saysDone = line.step === 'finished' && customer !== '' && done !== '';
  return saysDone ? done : customerSays(line, catalogue);
}

/** A circle among what operations need first, or null: the ids along it, the first one again at the end. */
export function circleIn(
  catalogue: readonly Pick<Operation, 'id' | 'needs'>[],
): readonly OperationId[] | null {
  const needs = new Map(catalogue.map((o) => [o.id, o.needs]));
  const done = new Set<OperationId>();
  const walk = (id: OperationId, path: readonly OperationId[]): readonly OperationId[] | null => {
    const at = path.indexOf(id);
    if (at >= 0) return [...path.slice(at), id];
    if (done.has(id)) return null;
    for (const next of needs.get(id) ?? []) {
      const circle = walk(next, [...path, id]);
      if (circle) return circle;
    }
    done.add(id);
    return null;
  };
  for (const { id } of catalogue) {
    const circle = walk(id, []);
    if (circle) return circle;
  }
  return null;
}

/**
 * The operation that a finding asks for: the shop's own before those that ship, else the first in the order of the work; what
 * ships also where the shop does not offer it, so that this can be said. Null where none deals with it.
 * @param finding item and finding: `plate:worn`
 */
export function askedFor(finding: string, catalogue: readonly Operation[]): OperationId | null {
  const asked = catalogue.filter((o) => o.askedBy.includes(finding));
  const best = asked.find((o) => o.id.startsWith('own-')) ?? asked[0];
  return (best ?? OPERATIONS.find((o) => o.askedBy.includes(finding)))?.id ?? null;
}

/** What stands in for an operation where the part is past it; null where nothing does. */
export const standsInFor = (id: OperationId, catalogue: readonly Operation[]): OperationId | null =>
  (catalogue.find((o) => o.replaces.includes(id)) ?? OPERATIONS.find((o) => o.replaces.includes(id)))?.id ??
  null;
