import type { AssumedFact } from './assumable.ts';
import type { ConstructionFacts } from './construction-facts.ts';
import type { Kind } from './kinds.ts';

/** The facts that decide what can be checked and how it is adjusted. Lengths in mm. */
export interface Construction extends ConstructionFacts {
  readonly kind: Kind;
  /** what is taken as usual for the kind, since nobody has looked yet; absent where everything was looked at */
  readonly assumed?: readonly AssumedFact[] | undefined;
}

/** The number a string goes by at the bench: 1 is the highest. Index 0 of `strings` is the lowest. */
export const stringNumber = (construction: Pick<Construction, 'strings'>, index: number): number =>
  construction.strings.length - index;

/** Whether the saddle is set by screws or wheels: up and down, and nothing is cut. */
export const isAdjustable = ({ bridge }: Pick<Construction, 'bridge'>): boolean =>
  bridge === 'individual' || bridge === 'thumbwheel' || bridge === 'floating';

/** Whether each string has a saddle of its own, set by screws or sanded one by one. */
export const hasOwnSaddles = ({ bridge }: Pick<Construction, 'bridge'>): boolean =>
  bridge === 'individual' || bridge === 'individual-fixed';

/** Whether each string’s saddle is moved along it by a screw of its own: there is no crown to stay on, and nothing to cut or draw. */
export const hasOwnScrews = ({ bridge }: Pick<Construction, 'bridge'>): boolean => bridge === 'individual';

/** The numbers of the strings that go together with one, it among them, from the bass: itself alone where strings are single. */
export function stringsOfCourse(
  c: Pick<Construction, 'strings' | 'perCourse'>,
  number: number,
): readonly number[] {
  const course = Math.ceil(number / c.perCourse);
  return Array.from({ length: c.perCourse }, (_, i) => course * c.perCourse - i);
}

/**
 * How far a string lies across the board, 0 at the bass side and 1 at the treble: the strings of a course lie at one place.
 * @param index from the lowest string
 */
export function acrossOf(c: Pick<Construction, 'strings' | 'perCourse'>, index: number): number {
  const courses = Math.ceil(c.strings.length / c.perCourse);
  return courses < 2 ? 0 : Math.floor(index / c.perCourse) / (courses - 1);
}

/**
 * Values of every string from those of some: what lies between goes in a straight line across the board, what lies outside is as
 * its nearest.
 * @param known value by string, null where there is none; at least one is known
 */
export function acrossBoard(
  c: Pick<Construction, 'strings' | 'perCourse'>,
  known: readonly (number | null)[],
): readonly number[] {
  const at = known.flatMap((v, i) => (v === null ? [] : [{ x: acrossOf(c, i), i, v }]));
  return c.strings.map((_, i) => {
    const [low, high] = [at.filter((k) => k.i <= i).at(-1), at.find((k) => k.i >= i)];
    if (!low || !high) return (low ?? high)?.v ?? 0;
    const span = high.x - low.x;
    return span === 0 ? low.v : low.v + ((high.v - low.v) * (acrossOf(c, i) - low.x)) / span;
  });
}

/**
 * What a string is called: its number; where strings go in pairs the number of its course, `a` for the one toward the bass.
 * @param number the string's own number, 1 the highest
 * @example on a 12-string stringName(c, 12) → '6a', stringName(c, 11) → '6b'
 */
export function stringName(c: Pick<Construction, 'strings' | 'perCourse'>, number: number): string {
  if (c.perCourse === 1) return String(number);
  const first = (c.strings.length - number) % c.perCourse === 0;
  return `${Math.ceil(number / c.perCourse)}${first ? 'a' : 'b'}`;
}
