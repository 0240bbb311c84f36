import { clearance, type ClearanceString } from '../clearance/clearance.ts';
import { usualConstruction } from '../instrument/defaults.ts';
import type { Kind } from '../instrument/kinds.ts';
import { stationsOf, type Station } from '../readings/stations.ts';
import { resolveTarget } from '../targets/resolve.ts';
import { SHIPPED_TARGETS } from '../targets/shop-targets.ts';
import type { Target, Touch } from '../targets/target.ts';
import { handFor, lowestAction, type Hand } from './clearance-map.ts';
import { NO_MOVES } from './moves.ts';
import { neckModel, type NeckModel } from './neck-model.ts';

/** A place that was played and heard: held at a fret (0 open), and whether it buzzes. */
export interface HeardMark {
  readonly held: number;
  /** the fret it buzzed on, where that was seen */
  readonly fret?: number | undefined;
  readonly heard: 'clear' | 'buzzes';
}

/** A hand that was fitted to what was heard. */
export interface FittedHand {
  /** N */
  readonly force: number;
  /** whether one force explains every mark; if not, it is the one that contradicts them least */
  readonly agrees: boolean;
}

const ROUNDS = 60;
/** No hand plucks harder, N. */
export const MOST_FORCE = 50;

/**
 * The force that a mark bounds, N: the hardest hand that a held place is still clear of, or, where it buzzed, the softest that makes
 * it buzz. `MOST_FORCE` where none does, 0 where it does at rest. Either does what was heard, however a processor rounds.
 */
export function threshold(
  neck: Omit<ClearanceString, 'force'>,
  mark: Pick<HeardMark, 'held' | 'heard'>,
): number {
  const margin = (force: number): number => {
    const map = clearance({ ...neck, force });
    return map.margin[mark.held] ?? Number.POSITIVE_INFINITY;
  };
  if (margin(0) < 0) return 0;
  let [low, high] = [0, MOST_FORCE];
  if (margin(high) >= 0) return MOST_FORCE;
  for (let i = 0; i < ROUNDS; i++) {
    const middle = (low + high) / 2;
    if (margin(middle) >= 0) low = middle;
    else high = middle;
  }
  return mark.heard === 'clear' ? low : high;
}

/**
 * The hand that contradicts the fewest places, and of those the nearest to the usual one: one high fret is not the hand's doing.
 * @param told what was heard at each place, with the force that bounds it (`threshold`), N
 * @param usual the force taken for the touch, N
 */
export function handAmong(
  told: readonly { readonly heard: HeardMark['heard']; readonly force: number }[],
  usual: number,
): FittedHand {
  const against = (f: number): number =>
    told.filter((t) => (t.heard === 'clear' ? t.force < f : t.force > f)).length;
  // Between the places' own forces nothing changes.
  const tried = [usual, ...told.map((t) => t.force)].map((force) => ({ force, against: against(force) }));
  const best = tried.reduce((a, b) => {
    const nearer = Math.abs(b.force - usual) < Math.abs(a.force - usual);
    return b.against < a.against || (b.against === a.against && nearer) ? b : a;
  });
  return { force: Math.min(MOST_FORCE, best.force), agrees: best.against === 0 };
}

/**
 * Fits how hard a hand plucks to what was heard of it: what is clear bounds the force from above, what buzzes from below.
 * @param usual the force taken for the touch, N; it stands where the marks allow it
 */
export const fitForce = (
  neck: Omit<ClearanceString, 'force'>,
  marks: readonly HeardMark[],
  usual: number,
): FittedHand =>
  handAmong(
    marks.map((m) => ({ heard: m.heard, force: threshold(neck, m) })),
    usual,
  );

/** A kind's usual instrument with every place at its aim for a touch, and the targets. */
export function atItsAims(
  kind: Kind,
  touch: Touch,
): { readonly model: NeckModel; readonly targets: ReadonlyMap<string, Target> } {
  const construction = usualConstruction(kind);
  const aims = stationsOf(construction).flatMap((s: Station) => {
    const target = resolveTarget(construction, touch, [], s, { shop: SHIPPED_TARGETS, now: () => undefined });
    return target ? [{ s, target }] : [];
  });
  const targets = new Map(aims.map(({ s, target }) => [s.key, target]));
  const readings = new Map(
    aims.map(({ s, target }) => [
      s.key,
      { value: target.aim, quantity: s.quantity, string: s.string, fret: s.fret },
    ]),
  );
  const model = neckModel({ construction, readings, stale: new Set(), targets });
  if (model === null) throw new RangeError(`a ${kind} has no targets for its action`);
  return { model, targets };
}

/** Room that is left under the lowest that clears, mm: as much as readings can be wrong by. */
export const RESERVE = 0.03;

/**
 * The lowest action at the 12th that clears for a hand on a kind's usual instrument, with the reserve: mm, bass and treble; null
 * where none does.
 */
export function lowestFor(
  kind: Kind,
  touch: Touch,
  force?: number,
): { readonly hand: Hand; readonly bass: number; readonly treble: number } | null {
  const { model } = atItsAims(kind, touch);
  const hand = handFor(model, touch, force);
  const low = lowestAction(model, NO_MOVES, hand, undefined, RESERVE);
  if (low === null) return null;
  return { hand, bass: low.action[0] ?? 0, treble: low.action.at(-1) ?? 0 };
}
