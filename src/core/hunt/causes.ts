import type { OperationId } from '../catalogue/operation-ids.ts';

/** Where a noise appears, as a player tells it. */
export const WHERE = {
  open: 'only on an open string',
  'one-fret': 'at one fret',
  region: 'over a few frets',
  everywhere: 'everywhere',
  'one-pitch': 'at one pitch, whatever string',
  'one-string': 'on one string, wherever it is held',
} as const;

/** What may make a noise on a fretted instrument. */
export interface Cause {
  readonly name: string;
  /** how often it is that, against the others, before anything was tried */
  readonly weight: number;
  /** where it appears, in the order of {@link WHERE} */
  readonly where: readonly [number, number, number, number, number, number];
  /** what mends it, the least first; none: nothing of the instrument */
  readonly operations: readonly OperationId[];
  /** the ways there are, weighed by worth and looks */
  readonly ways: string;
}

const cause = (
  name: string,
  weight: number,
  where: Cause['where'],
  operations: readonly OperationId[],
  ways: string,
): Cause => ({ name, weight, where, operations, ways });

/** The causes by the rules of the bench; weights are a beginning that a shop's own finds would replace. */
export const CAUSES = {
  'nut-low': cause(
    'a nut slot too low',
    9,
    [85, 2, 3, 3, 2, 10],
    ['nut-fill', 'nut-new'],
    'Fill the slot and cut it anew where the nut is worth keeping; a new nut where several are low.',
  ),
  'nut-shape': cause(
    'the string lies badly in its nut slot',
    6,
    [68, 2, 2, 2, 10, 20],
    ['nut-slots', 'nut-fill'],
    'Cut the slot straight and falling toward the tuner; fill it first where that would make it too low.',
  ),
  'high-fret': cause(
    'a fret stands high',
    12,
    [1, 76, 20, 2, 1, 2],
    ['fret-spot', 'fret-dress'],
    'Take the one fret down where the others are level; level where it is one of many.',
  ),
  'loose-fret': cause(
    'a fret is not seated',
    5,
    [2, 68, 15, 2, 12, 2],
    ['fret-seat', 'fret-replace'],
    'Seat it before anything is filed; a new one where the slot no longer holds.',
  ),
  'worn-fret': cause(
    'a fret is worn under the string',
    7,
    [1, 70, 24, 2, 1, 4],
    ['fret-dress', 'fret-replace'],
    'Dress where height is left; replace those few that are pitted; refret where most are.',
  ),
  hump: cause(
    'the board rises at its end or at the joint',
    6,
    [1, 8, 80, 10, 1, 2],
    ['fall-away', 'fret-dress', 'board-plane'],
    'Level the rise out of the frets; plane the board only with a refret.',
  ),
  'back-bow': cause(
    'the neck is too straight or bends back',
    10,
    [14, 3, 50, 32, 1, 2],
    ['rod', 'rod-free', 'neck-heat'],
    'A rod is loosened first, never forced; what none can do is heat, clamp or frets.',
  ),
  'low-action': cause(
    'the action is too low for the hand',
    11,
    [5, 2, 20, 72, 1, 3],
    ['saddle-set', 'saddle-raise', 'saddle-new'],
    'Raise the saddle, or shim it where the shop does; or leave it low and say so.',
  ),
  hand: cause(
    'it is plucked or held harder than it clears',
    5,
    [6, 4, 28, 52, 1, 12],
    ['saddle-set', 'saddle-raise', 'leave-watch'],
    'Show the player where it begins; raise it only if that is wanted.',
  ),
  'bad-string': cause(
    'the string itself: dead, twisted, its wrap loose',
    8,
    [8, 2, 3, 4, 4, 84],
    ['restring'],
    'Another string tells it; a set where they are old.',
  ),
  'saddle-top': cause(
    'the string does not leave the saddle cleanly',
    6,
    [16, 2, 2, 4, 4, 74],
    ['compensate', 'metal-parts', 'saddle-new'],
    'Give the crown a clean edge where the string leaves it.',
  ),
  'saddle-part': cause(
    'a screw, spring or wheel of the bridge',
    4,
    [6, 1, 2, 6, 50, 36],
    ['tighten', 'saddle-set'],
    'Tighten it, or a drop of something that holds and can be undone.',
  ),
  tuner: cause(
    'a tuner, its bush, screw or button',
    6,
    [10, 1, 1, 4, 80, 6],
    ['tighten', 'tuners'],
    'Tighten bush and screws, not more than they need.',
  ),
  guard: cause(
    'a guard, binding, label or plate that touches',
    4,
    [1, 1, 2, 4, 90, 2],
    ['tighten', 'guard-glue', 'binding-glue'],
    'Glue or screw it down; a thin felt where it only touches.',
  ),
  brace: cause(
    'a brace or crack inside',
    6,
    [2, 1, 6, 6, 84, 2],
    ['look-inside', 'brace-glue', 'crack-glue'],
    'Look inside with a mirror, glue what moves; leave an old repair that holds.',
  ),
  wire: cause(
    'a wire, socket or battery inside',
    6,
    [1, 1, 2, 5, 88, 2],
    ['wiring', 'socket', 'battery'],
    'Tie the wire where it cannot reach the wood; tighten the socket from inside.',
  ),
  pins: cause(
    'a pin, end pin or strap button',
    4,
    [6, 1, 1, 4, 78, 12],
    ['pins', 'strap-button'],
    'Fit the pin, or the button; a hole that is worn is plugged at full depth, drilled and reamed to it.',
  ),
  rod: cause(
    'the truss rod rattles in its channel',
    4,
    [3, 2, 12, 12, 72, 1],
    ['rod', 'rod-free'],
    'A little tension quietens it where the neck allows that; never more for the noise alone.',
  ),
  'after-length': cause(
    'the string behind nut or bridge sounds along',
    4,
    [10, 1, 1, 18, 54, 18],
    ['tighten', 'finish-touch'],
    'A strip of felt between the strings, which leaves no mark.',
  ),
  outside: cause(
    'something that is not the instrument: a button, a nail, a chair, the room',
    5,
    [2, 2, 2, 12, 82, 2],
    [],
    'Nothing to mend: show the player what it was.',
  ),
} as const satisfies Readonly<Record<string, Cause>>;

export type CauseId = keyof typeof CAUSES;
export const CAUSE_IDS = Object.keys(CAUSES) as CauseId[];

/** How often each cause is met in a shop, against the others. */
export type CauseWeights = Readonly<Record<CauseId, number>>;

/** What ships: by the rules of the bench. */
export const USUAL_CAUSES = Object.fromEntries(
  CAUSE_IDS.map((id) => [id, CAUSES[id].weight]),
) as CauseWeights;
