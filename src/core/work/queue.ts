import { readAgainOrder } from '../staleness/graph.ts';
import { isReadBefore, type Cutting, type PlaceRead, type StartLine } from './may-start.ts';

/** What comes next on a bench: a step of the order, or readings to take again before it. */
export type Next =
  | { readonly kind: 'step'; readonly lineId: number }
  | { readonly kind: 'read'; readonly places: readonly string[]; readonly before: number | null };

/**
 * The open steps in their order with the stale readings put where they are needed: before the first step that is cut by
 * them, and what no step is cut by at the end, before the bench check. What hangs on another reading comes after it.
 */
export function queueOf(
  lines: readonly StartLine[],
  of: (line: StartLine) => Cutting,
  places: readonly PlaceRead[],
): Next[] {
  const left = places.filter((p) => p.stale);
  const order = readAgainOrder(left.map((p) => p.quantity));
  const inOrder = (some: readonly PlaceRead[]): string[] =>
    [...some].sort((a, b) => order.indexOf(a.quantity) - order.indexOf(b.quantity)).map((p) => p.key);
  const queued = new Set<string>();
  const queue: Next[] = [];
  for (const line of lines.filter((l) => l.approval === 'yes' && !l.finished)) {
    const op = of(line);
    const due = left.filter((p) => isReadBefore(op, p) && !queued.has(p.key));
    if (due.length > 0) queue.push({ kind: 'read', places: inOrder(due), before: line.id });
    for (const p of due) queued.add(p.key);
    queue.push({ kind: 'step', lineId: line.id });
  }
  const rest = left.filter((p) => !queued.has(p.key));
  if (rest.length > 0) queue.push({ kind: 'read', places: inOrder(rest), before: null });
  return queue;
}
