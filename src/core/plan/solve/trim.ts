import type { OperationId } from '../../catalogue/operation-ids.ts';
import type { Target } from '../../targets/target.ts';
import type { Outcome } from '../../whatif/consequences.ts';
import type { Moves } from '../../whatif/moves.ts';
import { formatLength } from '../../units/format-length.ts';
import { heightChangeWords, sizeWords } from '../../units/words-in.ts';
import { heightWays, TO_ITS_LIMIT } from './height-ways.ts';
import { nutWays } from './nut-ways.ts';
import type { Problem } from './problem.ts';
import type { Part, Way } from './way.ts';

/** Share of the upper half of a band that is kept from its end, where nothing is known of the gauge. */
const RESERVE = 0.25;
const LEAST = 1e-6;

/** What is cut down to a band, and how its amounts are written. */
const CUTS: Readonly<Partial<Record<OperationId, (mm: number) => string>>> = {
  'nut-slots': sizeWords,
  'saddle-lower': heightChangeWords,
  'bridge-thin': (mm) => formatLength(mm, 'mm'),
};
const isCut = (way: Way | undefined): boolean =>
  way?.parts.some((x) => CUTS[x.operation] !== undefined) === true;

/** The near end of a band for something that is cut down to it: as far inside as its gauge may be wrong, never past its aim. */
function nearEnd(t: Target, tells: number, sure: number): Target {
  const reserve = Math.max(tells, sure, RESERVE * (t.high - t.aim));
  return { ...t, aim: Math.max(t.aim, t.high - reserve) };
}

/** The problem with the aims of what is cut brought to the near ends of their bands. */
function towardEdge(p: Problem, cuts: ReadonlySet<'action' | 'nut-gap'>): Problem {
  const targets = new Map(p.targets);
  for (const { key, quantity, tells, sure } of p.judged) {
    const target = p.targets.get(key);
    if (target && (quantity === 'action' || quantity === 'nut-gap') && cuts.has(quantity))
      targets.set(key, nearEnd(target, tells, sure));
  }
  return { ...p, targets };
}

/** The same work, whatever its amounts. */
const same = (a: Way, b: Way): boolean =>
  a.parts.length === b.parts.length && a.parts.every((x, i) => x.operation === b.parts[i]?.operation);

/**
 * The answer in the place of another one: the same work under the same name; where that went as far as it can, the near end may
 * well be reached by the same work that does not.
 */
const inPlaceOf = (like: Way, all: readonly Way[]): Way | undefined => {
  const those = all.filter((w) => same(w, like));
  return like.name === TO_ITS_LIMIT ? those[0] : those.find((w) => w.name === like.name);
};

const deepest = (x: Part): number => Math.max(0, ...x.amounts.map((a) => -a.amount));

/** The shallower way with what the aim would cost more, in words. */
function saying(way: Way, whole: Way): Way {
  return {
    ...way,
    parts: way.parts.map((x, i) => {
      const more = deepest(whole.parts[i] ?? x) - deepest(x);
      const say = CUTS[x.operation];
      return more > LEAST && say !== undefined
        ? {
            ...x,
            says: `${x.says} To the near end of the band; to the aim it would be ${say(more)} more.`,
          }
        : x;
    }),
  };
}

/**
 * Answers that cut as little as brings a thing into its band, in the place of those that cut to the aim: the same operations,
 * less wood and bone. Null where nothing is cut, or where less does not do.
 * @param ways the answers of a plan: rod, frets, nut, height, contact
 */
export function trimmed(
  p: Problem,
  ways: readonly Way[],
  share: number,
  after: (moves: Moves) => Outcome,
): readonly Way[] | null {
  const [rod, frets, nut, height, contact] = ways;
  if (!rod || !frets || !nut || !height || !contact) return null;
  const cuts = new Set<'action' | 'nut-gap'>([
    ...(isCut(nut) ? ['nut-gap' as const] : []),
    ...(isCut(height) ? ['action' as const] : []),
  ]);
  if (cuts.size === 0) return null;
  const edge = towardEdge(p, cuts);
  const base = after(frets.moves);
  const sized = (['asked', 'every'] as const).flatMap((s) => nutWays(edge, frets.moves, base, s).ways);
  const slots = inPlaceOf(nut, sized);
  if (!slots) return null;
  const low = after(slots.moves);
  const heights = (['asked', 'every'] as const).flatMap(
    (s) => heightWays(edge, slots.moves, low, share, s).ways,
  );
  const less = inPlaceOf(height, heights);
  if (!less) return null;
  const last: Way = { ...contact, moves: { ...less.moves, contact: contact.moves.contact } };
  return [rod, frets, saying(slots, nut), saying(less, height), last];
}
