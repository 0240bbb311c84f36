import { QUANTITY_FACTS, type Quantity } from '../../readings/quantities.ts';
import { allStations } from '../../readings/stations.ts';
import { readAgainOrder } from '../../staleness/graph.ts';
import type { Operation } from '../../catalogue/operation.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { HAZARDS } from '../../catalogue/hazards.ts';
import { isStringing, takesAway } from '../../catalogue/operations.ts';
import { STRINGS_OFF } from '../../catalogue/order-of-work.ts';
import { stringsBefore } from '../../catalogue/strings-before.ts';
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

/** How long it rests, and how long it may instead: `4 days (3 days to 5 days)`. */
const sayRest = ({ wait, waitRange }: Operation): string =>
  waitRange === null || waitRange.low === waitRange.high
    ? hours(wait)
    : `${hours(wait)} (${hours(Math.min(wait, waitRange.low))} to ${hours(Math.max(wait, waitRange.high))})`;

const read = (operation: OperationId | null, says: string): Step => ({
  kind: 'read',
  operation,
  says,
  cautions: [],
});

/**
 * What is read again after some operations, in words; nothing where they leave all readings as they are.
 * @param has what can be read on the instrument; null: all there is
 */
function readAgain(done: readonly Operation[], has: ReadonlySet<Quantity> | null): Step[] {
  const moved = done.flatMap((o) => (o.alongside ? [] : o.stale));
  const again = readAgainOrder(moved.filter((q) => has === null || has.has(q)));
  const names = again.map((q) => QUANTITY_FACTS[q].name.toLowerCase());
  return again.length === 0 ? [] : [read(done.at(-1)?.id ?? null, `Read again: ${names.join(', ')}.`)];
}

/** What is left of a plan whose pitches wait for a new set. */
export const READ_NEW_SET: Step = read(
  null,
  'Read the intonation with the new strings on: what is out then is set by that.',
);

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
            says: `Wait ${sayRest(o)}, then look.`,
            minutes: o.wait,
            cautions: [],
          },
        ];
  return [...cut, { kind: 'do', operation: o.id, says, cautions: o.hazards }, ...wait];
}

const STRING_UP = 'String it up and tune: what comes now is done with the strings on.';
const OFF_AGAIN = 'Take the strings off again.';

const withStrings = (says: string): Step => ({
  kind: 'do',
  operation: null,
  says,
  cautions: [HAZARDS.strings],
});

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
  const has = p.model ? new Set(allStations(p.model.construction).map((s) => s.quantity)) : null;
  const ordered = inOrder(p, ids).map((o) =>
    o.id === 'rod' && rodWantsNeckOff(p) ? { ...o, strung: false } : o,
  );
  const strings = stringsBefore(ordered, false);
  // What was done since the strings came off, and waits to be read until they are on.
  let unread: Operation[] = [];
  let bare = false;
  ordered.forEach((o, i) => {
    const before = strings[i];
    if (before === 'on') {
      steps.push(withStrings(STRING_UP), ...readAgain(unread, has));
      [bare, unread] = [false, []];
    } else if (before === 'off' && ids.has(STRINGS_OFF)) {
      steps.push(withStrings(OFF_AGAIN));
      bare = true;
    }
    steps.push(
      ...doing(
        o,
        parts.find((x) => x.operation === o.id),
      ),
    );
    if (o.strings === 'off') bare = true;
    else if (isStringing(o)) bare = false;
    unread.push(o);
    if (bare) return;
    steps.push(...readAgain(unread, has));
    unread = [];
  });
  return steps;
}
