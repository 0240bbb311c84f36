import type { Operation } from '../catalogue/operation.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import { bringsSet } from '../catalogue/operations.ts';

/** A line of an order as far as another operation beside it goes. */
export interface StandingLine {
  readonly title: string;
  readonly operation: OperationId;
  readonly approval: 'asked' | 'yes' | 'no';
  readonly step: 'ready' | 'running' | 'paused' | 'finished';
  /** the operation as it was agreed */
  readonly op: Pick<Operation, 'includes' | 'strings' | 'takesFrom' | 'parts'>;
}

/**
 * What is to be said before an operation comes on an order by hand: that it stands there already, is part of a line or has one as its
 * part, or puts a second set of strings on. Empty where nothing is.
 * @param lines the order as it stands
 */
export function besideOrder(op: Operation, lines: readonly StandingLine[]): readonly string[] {
  const counting = lines.filter((l) => l.approval !== 'no');
  const open = counting.filter((l) => l.step !== 'finished');
  const says = (l: StandingLine): string => {
    if (l.operation === op.id) return `“${l.title}” stands on the order already.`;
    if (l.op.includes.includes(op.id)) return `It is part of “${l.title}”, which is on the order.`;
    return op.includes.includes(l.operation)
      ? `“${l.title}” on the order is part of it: take that off, or it is charged twice.`
      : '';
  };
  const found = open.map(says).filter((s) => s !== '');
  const strung = bringsSet(op) ? counting.find((l) => l.operation !== op.id && bringsSet(l.op)) : undefined;
  return strung
    ? [...found, `“${strung.title}” puts a set on already: this takes a second one, at its price.`]
    : found;
}

/** The same for every operation of a catalogue of which there is something to say. */
export const besides = (
  catalogue: readonly Operation[],
  lines: readonly StandingLine[],
): Readonly<Partial<Record<OperationId, readonly string[]>>> =>
  Object.fromEntries(
    catalogue.flatMap((op) => {
      const said = besideOrder(op, lines);
      return said.length === 0 ? [] : [[op.id, said]];
    }),
  );
