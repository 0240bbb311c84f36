import { QUANTITY_FACTS } from '../../readings/quantities.ts';
import { readAgainOrder } from '../../staleness/graph.ts';
import type { Operation } from '../../catalogue/operation.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { inOrder } from './cost.ts';
import type { Problem } from './problem.ts';
import type { Part } from './way.ts';

/** One step of a plan at the bench, in its order. */
export interface Step {
  readonly kind: 'do' | 'first-cut' | 'read' | 'wait';
  readonly operation: OperationId | null;
  readonly says: string;
  /** minutes, for a wait */
  readonly minutes?: number | undefined;
  readonly cautions: readonly string[];
}

const hours = (minutes: number): string =>
  minutes < 60
    ? `${minutes} minutes`
    : minutes < 1440
      ? `${Math.round(minutes / 60)} hours`
      : `${Math.round(minutes / 1440)} days`;

const names = (o: Operation): string =>
  readAgainOrder(o.stale)
    .map((q) => QUANTITY_FACTS[q].name.toLowerCase())
    .join(', ');

/** What the next operations rest on: nothing is read twice where the next step makes it stale again. */
function readAgain(o: Operation, bare: boolean): Step[] {
  const again = names(o);
  const says = bare ? `Once it is strung again, read: ${again}.` : `Read again: ${again}.`;
  return again === '' ? [] : [{ kind: 'read', operation: o.id, says, cautions: [] }];
}

/**
 * The steps of a plan. Before a cut that cannot be undone comes a first cut and a reading; after a rod its wait; after
 * levelling the nut and the action are read again before anything else is cut.
 */
export function stepsOf(
  p: Pick<Problem, 'catalogue'> & Partial<Pick<Problem, 'model' | 'rod'>>,
  ids: ReadonlySet<OperationId>,
  parts: readonly Part[],
): Step[] {
  const all = inOrder(p, ids);
  let bare = false;
  return all.flatMap((o) => {
    bare = o.strings === 'off' || (bare && o.strings !== 'on');
    const part = parts.find((x) => x.operation === o.id);
    const says = part ? `${o.name}. ${part.says}` : `${o.name}.`;
    // What cannot be undone is begun short of its line, whatever asked for it.
    const first = part?.firstCut ?? (o.reversible ? undefined : 'begin well short of the line');
    const cut: Step[] =
      first === undefined
        ? []
        : [
            { kind: 'first-cut', operation: o.id, says: `${o.name}: ${first}.`, cautions: o.hazards },
            { kind: 'read', operation: o.id, says: 'Read again before the rest.', cautions: [] },
          ];
    const wait: Step[] =
      o.wait === 0
        ? []
        : [
            {
              kind: 'wait',
              operation: o.id,
              says: `Wait ${hours(o.wait)}, then look.`,
              minutes: o.wait,
              cautions: [],
            },
          ];
    const step: Step = { kind: 'do', operation: o.id, says, cautions: o.hazards };
    return [...cut, step, ...wait, ...(o.alongside ? [] : readAgain(o, bare))];
  });
}
