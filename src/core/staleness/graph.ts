import type { Quantity } from '../readings/quantities.ts';

/** What work can move: the things of the instrument that readings hang on. */
export const MOVED_THINGS = [
  'rod',
  'strings',
  'neck',
  'frets',
  'nut',
  'bridge',
  'saddle-height',
  'saddle-contact',
  'pickups',
  'springs',
] as const;
export type MovedThing = (typeof MOVED_THINGS)[number];

/** What each thing moves at once; what hangs on that follows from {@link DEPENDS_ON}. */
const MOVES: Readonly<Record<MovedThing, readonly Quantity[]>> = {
  rod: ['relief', 'nut-gap', 'straightedge'],
  strings: ['relief', 'straightedge', 'vibrato-float', 'intonation'],
  neck: ['relief', 'straightedge', 'action', 'neck-angle', 'height-over-top', 'intonation'],
  frets: ['fret-height', 'fret-rock', 'fall-away', 'straightedge', 'relief', 'action', 'nut-gap'],
  nut: ['nut-gap', 'nut-spacing', 'action'],
  bridge: ['bridge-thickness', 'slot-depth', 'height-over-top', 'neck-angle'],
  'saddle-height': ['action', 'saddle-standout', 'break-angle', 'pickup-height'],
  'saddle-contact': ['contact', 'intonation'],
  pickups: ['pickup-height', 'intonation'],
  springs: ['vibrato-float', 'action'],
};

/**
 * What a reading hangs on: when what is named is read anew because something moved, so must this be. An edge goes from a
 * reading to those it is taken after.
 */
export const DEPENDS_ON: Readonly<Partial<Record<Quantity, readonly Quantity[]>>> = {
  action: ['relief', 'vibrato-float'],
  'nut-gap': ['fret-height'],
  'break-angle': ['saddle-standout'],
  intonation: ['action', 'nut-gap', 'contact'],
  'pickup-height': ['action'],
};

/** Every quantity that goes stale when a thing was moved: what it moves, and all that hangs on that. */
export function movedBy(thing: MovedThing): ReadonlySet<Quantity> {
  const moved = new Set<Quantity>(MOVES[thing]);
  const edges = Object.entries(DEPENDS_ON) as [Quantity, readonly Quantity[]][];
  for (let grew = true; grew;) {
    grew = false;
    for (const [quantity, on] of edges) {
      if (moved.has(quantity) || !on.some((q) => moved.has(q))) continue;
      moved.add(quantity);
      grew = true;
    }
  }
  return moved;
}

/** Everything several things move together. */
export const movedByAll = (things: readonly MovedThing[]): ReadonlySet<Quantity> =>
  new Set(things.flatMap((t) => [...movedBy(t)]));

const rankOf = (quantity: Quantity, seen: ReadonlySet<Quantity> = new Set()): number => {
  if (seen.has(quantity)) return 0;
  const on = DEPENDS_ON[quantity] ?? [];
  return on.length === 0 ? 0 : 1 + Math.max(...on.map((q) => rankOf(q, new Set([...seen, quantity]))));
};

/**
 * The order to read again: nothing before what it hangs on; among equals as given.
 * @example readAgainOrder(['intonation', 'action', 'relief']) → relief, action, intonation
 */
export const readAgainOrder = (quantities: readonly Quantity[]): readonly Quantity[] =>
  [...new Set(quantities)]
    .map((q, i) => ({ q, i, rank: rankOf(q) }))
    .sort((a, b) => a.rank - b.rank || a.i - b.i)
    .map(({ q }) => q);
