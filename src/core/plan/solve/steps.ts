import { QUANTITY_FACTS } from '../../readings/quantities.ts';
import { readAgainOrder } from '../../staleness/graph.ts';
import type { Operation } from '../../catalogue/operation.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { HAZARDS } from '../../catalogue/hazards.ts';
import { isStringing, takesAway } from '../../catalogue/operations.ts';
import { STRINGS_OFF } from '../../catalogue/order-of-work.ts';
import { inOrder, rodWantsNeckOff } from './cost.ts';
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

const counted = (many: number, one: string): string => `${many} ${one}${many === 1 ? '' : 's'}`;
const hours = (minutes: number): string =>
  minutes < 60
    ? counted(minutes, 'minute')
    : minutes < 1440
      ? counted(Math.round(minutes / 60), 'hour')
      : counted(Math.round(minutes / 1440), 'day');

const read = (operation: OperationId | null, says: string): Step => ({
  kind: 'read',
  operation,
  says,
  cautions: [],
});

/** What is read again after some operations, in words; nothing where they leave all readings as they are. */
function readAgain(done: readonly Operation[]): Step[] {
  const again = readAgainOrder(done.flatMap((o) => (o.alongside ? [] : o.stale)));
  const names = again.map((q) => QUANTITY_FACTS[q].name.toLowerCase());
  return again.length === 0 ? [] : [read(done.at(-1)?.id ?? null, `Read again: ${names.join(', ')}.`)];
}

/** An operation as it is done: begun short of its line where it takes away for good, and its wait after it. */
function doing(o: Operation, part: Part | undefined): Step[] {
  const says = part ? `${o.name}. ${part.says}` : `${o.name}.`;
  // What takes away for good is begun short of its line, whatever asked for it.
  const first = part?.firstCut ?? (takesAway(o) ? 'begin well short of the line' : undefined);
  const cut: Step[] =
    first === undefined
      ? []
      : [
          { kind: 'first-cut', operation: o.id, says: `${o.name}: ${first}.`, cautions: o.hazards },
          read(o.id, 'Read again before the rest.'),
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
  return [...cut, { kind: 'do', operation: o.id, says, cautions: o.hazards }, ...wait];
}

const STRING_UP = 'String it up and tune: what comes now is done with the strings on.';
const OFF_AGAIN = 'Take the strings off again.';

/**
 * The steps of a plan. Before a cut that cannot be undone comes a first cut and a reading; after a rod its wait. What was done with the
 * strings off is read when they are on again, before what is done with them on.
 */
export function stepsOf(
  p: Pick<Problem, 'catalogue'> & Partial<Pick<Problem, 'model' | 'rod'>>,
  ids: ReadonlySet<OperationId>,
  parts: readonly Part[],
): Step[] {
  const steps: Step[] = [];
  // What was done since the strings came off; null while they are on.
  let bare: Operation[] | null = null;
  const strings = (says: string, cautions: readonly string[]): void =>
    void steps.push({ kind: 'do', operation: null, says, cautions });
  for (const o of inOrder(p, ids)) {
    const strung = o.strung && !(o.id === 'rod' && rodWantsNeckOff(p));
    const stringing = isStringing(o);
    if (bare !== null && strung && !stringing) {
      strings(STRING_UP, [HAZARDS.strings]);
      steps.push(...readAgain(bare));
      bare = null;
    }
    if (bare === null && o.needs.includes(STRINGS_OFF) && ids.has(STRINGS_OFF)) {
      strings(OFF_AGAIN, [HAZARDS.strings]);
      bare = [];
    }
    steps.push(
      ...doing(
        o,
        parts.find((x) => x.operation === o.id),
      ),
    );
    if (o.strings === 'off') bare = [];
    else if (stringing) {
      steps.push(...readAgain([...(bare ?? []), o]));
      bare = null;
    } else if (bare !== null) bare.push(o);
    else steps.push(...readAgain([o]));
  }
  return steps;
}
