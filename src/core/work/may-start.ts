import type { Operation } from '../catalogue/operation.ts';
import { takesAway } from '../catalogue/operations.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import type { Quantity } from '../readings/quantities.ts';
import type { NeedsOf } from '../catalogue/order-of-work.ts';
import { type Wait } from './waits.ts';
import { sayLeft } from '../days/say-left.ts';

/** A line as far as beginning it goes. */
export interface StartLine {
  readonly id: number;
  readonly operation: OperationId;
  readonly title: string;
  readonly approval: 'asked' | 'yes' | 'no';
  readonly finished: boolean;
  /** the line that stands still until this one is answered */
  readonly stops: number | null;
}

/** A place that a step is cut by, as it stands: when it was last read, and whether that still holds. */
export interface PlaceRead {
  readonly key: string;
  readonly label: string;
  readonly quantity: Quantity;
  /** ms; null where it was never read */
  readonly takenAt: number | null;
  readonly stale: boolean;
  /** it wants strings, held when they came off, and is read when they are on again */
  readonly bare: boolean;
}

/** What stands between a line and its beginning. Only a rest, and what was not read, can be passed by, with a reason. */
export type Hindrance =
  | { readonly kind: 'word' | 'change' | 'first'; readonly words: string }
  /** it rests until a moment, ms */
  | { readonly kind: 'rest'; readonly words: string; readonly until: number }
  | {
      readonly kind: 'reading';
      readonly words: string;
      readonly stations: readonly string[];
      readonly passable: boolean;
    };

/** What is lost when the strings come off now: places that want them and were never read, and items of the inspection still open. */
export interface LostWithStrings {
  readonly stations: readonly string[];
  readonly items: number;
}

const GENERAL: readonly Quantity[] = ['relief', 'action', 'nut-gap', 'intonation'];

/**
 * The readings that a step is cut by, and that must therefore be fresh before it: of those the bench knows by name, else of
 * a step that cannot be undone what it moves itself.
 */
export function cutBy(op: Pick<Operation, 'reversible' | 'stale' | 'restsOn'>): readonly Quantity[] {
  if (op.restsOn.length > 0) return op.restsOn;
  return op.reversible ? [] : GENERAL.filter((q) => op.stale.includes(q));
}

/** What is known of an operation where it is asked what it is cut by. */
export type Cutting = Pick<Operation, 'reversible' | 'stale' | 'restsOn' | 'strung'>;

/**
 * Whether a place has to be read anew before a step that is cut by it: it is stale. What is done with the strings off goes by what held
 * when they came off.
 */
export const isReadBefore = (op: Cutting, p: Pick<PlaceRead, 'quantity' | 'stale' | 'bare'>): boolean =>
  p.stale && cutBy(op).includes(p.quantity) && (!p.bare || op.strung);

/** A bench as far as beginning a step goes. */
export interface BenchState {
  readonly all: readonly StartLine[];
  readonly needs: NeedsOf;
  readonly places: readonly PlaceRead[];
  /** when the rod was last let go on this job, ms; null when it was not touched */
  readonly lastTurn: number | null;
  /** what is lost when the strings come off now; null where they are off */
  readonly lost: LostWithStrings | null;
  /** the strings are off */
  readonly bare: boolean;
  /** what it rests after now; null where it does not rest */
  readonly rest: Wait | null;
}

/** Whether a hindrance can be passed by, with a reason. */
export const isPassable = (h: Hindrance): boolean =>
  h.kind === 'rest' || (h.kind === 'reading' && h.passable);

/** Nothing is begun on what rests: glue that sets, a neck that settles. */
const restsStill = ({ rest }: BenchState): Hindrance[] =>
  rest === null
    ? []
    : [
        {
          kind: 'rest',
          words: `It rests after “${rest.title}”: wait until that is over.`,
          until: rest.until,
        },
      ];

/**
 * A hindrance in words, with how long it is still there where that is known.
 * @param now ms since the epoch
 */
export const sayHindrance = (h: Hindrance, now: number): string =>
  h.kind === 'rest' ? `${h.words} ${sayLeft(now, h.until)} left.` : h.words;

/** The customer's word, a change that was asked about on it or on what it needs, and steps that come first. */
function waitsFor(line: StartLine, { all, needs }: Pick<BenchState, 'all' | 'needs'>): Hindrance[] {
  const found: Hindrance[] = [];
  if (line.approval !== 'yes')
    found.push({ kind: 'word', words: 'The customer has not said yes to this line.' });
  const change = all.find((o) => o.approval === 'asked' && o.stops === line.id);
  if (change)
    found.push({
      kind: 'change',
      words: `Stands still until the customer has answered “${change.title}”.`,
    });
  else if (stopped(all, needs).includes(line.id))
    found.push({ kind: 'change', words: 'Stands still: what it needs waits for the customer’s answer.' });
  const before = all.filter(
    (o) =>
      o.id !== line.id && o.approval === 'yes' && !o.finished && needs(line.operation).includes(o.operation),
  );
  return [...found, ...before.map((o) => ({ kind: 'first' as const, words: `First: ${o.title}.` }))];
}

const reading = (words: string, unread: readonly PlaceRead[] = [], passable = true): Hindrance => ({
  kind: 'reading',
  words,
  stations: unread.map((p) => p.key),
  passable,
});

/** The rod is set under tension, and not turned again before its last turn was read. */
function beforeTheRod(op: Starting, { places, lastTurn, bare }: BenchState): Hindrance[] {
  const found =
    bare && op.strung
      ? [reading('The strings are off: a rod is set under tension. String it up and read the relief first.')]
      : [];
  if (lastTurn === null) return found;
  const unread = places.filter(
    (p) =>
      cutBy(op).includes(p.quantity) && (p.takenAt === null || p.takenAt <= lastTurn || isReadBefore(op, p)),
  );
  const words = 'The rod was turned and not read since: read the relief before the next turn.';
  return unread.length === 0 ? found : [...found, reading(words, unread, false)];
}

/** What a step is cut by, and was not read or moved since; and whether it wants the strings on. */
function readFirst(op: Starting, { places, bare }: BenchState): Hindrance[] {
  const unread = places.filter(
    (p) => cutBy(op).includes(p.quantity) && (p.takenAt === null || isReadBefore(op, p)),
  );
  const wantsThem = bare && op.strung;
  if (unread.length > 0) {
    const words = `This cannot be undone: read again first what it ${takesAway(op) ? 'is cut' : 'goes'} by.`;
    return [reading(`${wantsThem ? 'String it up. ' : ''}${words}`, unread)];
  }
  // A cut with the strings on begins with stringing it up; what was read before holds where nothing moved it.
  return wantsThem && op.strings !== 'on'
    ? [reading('The strings are off: this is done with them on. String it up first.')]
    : [];
}

/** What is known of an operation where it is begun. */
type Starting = Pick<Operation, 'id' | 'strings' | 'takesFrom' | 'alongString'> & Cutting;

/**
 * What hinders a line from being begun: the customer's word, a change that was asked about on it or on what it needs, steps
 * that come first, and readings that are not fresh.
 */
export function hindrances(line: StartLine, op: Starting, bench: BenchState): Hindrance[] {
  const waits = [...waitsFor(line, bench), ...restsStill(bench)];
  if (op.strings === 'off') return [...waits, ...beforeTheyComeOff(bench.lost)];
  return [...waits, ...(op.id === 'rod' ? beforeTheRod(op, bench) : readFirst(op, bench))];
}

/** What is read, or looked at, before the strings come off. */
function beforeTheyComeOff(lost: LostWithStrings | null): Hindrance[] {
  if (lost === null || lost.stations.length + lost.items === 0) return [];
  const items =
    lost.items === 0
      ? ''
      : ` ${lost.items} ${lost.items === 1 ? 'item' : 'items'} of the inspection ${lost.items === 1 ? 'wants' : 'want'} them on.`;
  const words = `With the strings off it cannot be read any more: read it first.${items}`;
  const said =
    lost.stations.length > 0 ? words : `With the strings off it cannot be looked at any more.${items}`;
  return [{ kind: 'reading', words: said, stations: lost.stations, passable: true }];
}

/** The lines that stand still: those a change was asked about, and all that need one of them. */
export function stopped(all: readonly StartLine[], needs: NeedsOf): number[] {
  const still = new Set(all.filter((l) => l.approval === 'asked' && l.stops !== null).map((l) => l.stops));
  for (let grew = true; grew;) {
    grew = false;
    for (const l of all) {
      const waits = all.some(
        (o) => o.id !== l.id && still.has(o.id) && !o.finished && needs(l.operation).includes(o.operation),
      );
      if (still.has(l.id) || l.finished || !waits) continue;
      still.add(l.id);
      grew = true;
    }
  }
  return all.filter((l) => still.has(l.id) && !l.finished).map((l) => l.id);
}
