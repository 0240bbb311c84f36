import { RELIEF_FRET, stationKey } from '../../readings/stations.ts';
import { sayTurn } from '../../neck/say-turn.ts';
import { rodAdvice } from '../../neck/truss-rod.ts';
import { bandWords, sizeWords } from '../../units/words-in.ts';
import { verdict, type Target } from '../../targets/target.ts';
import type { Mm } from '../../units/unit-types.ts';
import type { Moves } from '../../whatif/moves.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { rodWantsNeckOff } from './cost.ts';
import { tooDear } from './fret-ways.ts';
import { notOffered, offered, type Problem } from './problem.ts';
import { staysAsItIs } from './straight.ts';
import { none, stay, type Amount, type Part, type Refused, type Sizes, type Way, type Ways } from './way.ts';

const KEY = stationKey('relief', 0, RELIEF_FRET);
/** Reliefs on both sides of the aim that are considered, mm apart: the same ones whatever the band, while they are in it. */
const STEP = 0.02;
const LEAST = 1e-6;

interface Goal {
  readonly name: string;
  readonly at: number;
}

/** The aim and what lies in the band beside it: only the outermost of each side, or all of them. */
function goalsIn(target: Target, now: number, sizes: Sizes): Goal[] {
  const steps = (to: number, sign: 1 | -1): number[] => {
    const count = Math.max(0, Math.floor((sign * (to - target.aim)) / STEP + LEAST));
    const all = Array.from({ length: count }, (_, i) => target.aim + sign * (i + 1) * STEP);
    return sizes === 'every' ? all : all.slice(-1);
  };
  return [
    { name: 'to its aim', at: target.aim },
    ...steps(target.low, -1).map((at) => ({ name: 'to the straight side of its band', at })),
    ...steps(target.high, 1).map((at) => ({ name: 'to the deep side of its band', at })),
  ].filter((g) => Math.abs(g.at - now) > LEAST);
}

type Why = Pick<Refused, 'because' | 'would'>;

/** Why the rod's own state keeps it from being turned that way, or null. */
function stateForbids(p: Problem, tighten: boolean): Why | null {
  const { rod, joint } = p.model.construction;
  if (rod === 'none')
    return { because: 'This neck has no rod.', would: 'With a rod the relief could be brought to its aim.' };
  if (p.rod === 'stuck')
    return {
      because: 'The rod nut is stuck: it is not forced.',
      would: 'It would do if the nut moved freely.',
    };
  if (p.rod === 'no-answer')
    return {
      because: 'The rod does not answer: it is not turned further.',
      would: 'It would do if two turns had moved the neck.',
    };
  if (p.rod === 'at-its-end' && tighten)
    return {
      because: 'The rod is at its end: it is not turned further.',
      would: 'It would do if there were thread left.',
    };
  if (p.rod === 'unreachable' && joint === 'glued')
    return {
      because: 'The rod nut cannot be reached, and this neck is glued.',
      would: 'It would do if a key went all the way in.',
    };
  return null;
}

/** Why the rod cannot bring the relief where it should be, or null. Loosening is the first answer to a back-bow, with any rod. */
function rodCannot(p: Problem, target: Target, now: number): Why | null {
  if (offered(p, 'rod') === null)
    return { because: notOffered(p, 'rod'), would: 'It would have to be in the catalogue.' };
  return stateForbids(p, now > target.aim);
}

const OFF_FIRST: Part = {
  operation: 'neck-off',
  says: 'Strings off, the neck off to reach the rod nut, turned blind, the neck back, strings on, then read.',
  amounts: [],
  removed: 0,
};

/** The next turn toward a goal, in words and as an amount: what is further is turned after a reading. */
function turnTo(
  p: Problem,
  now: number,
  at: number,
): { readonly says: string; readonly amounts: readonly Amount[] } {
  const { advice, eighths, expected } = rodAdvice(now, { low: at, aim: at, high: at }, p.turns, p.rodPrior);
  if (advice !== 'tighten' && advice !== 'loosen') return { says: '', amounts: [] };
  const way = advice === 'tighten' ? 'Tighten' : 'Loosen';
  return {
    says: ` ${way} ${sayTurn(eighths)}: about ${sizeWords(expected?.aim ?? at)} expected; wait, read again.`,
    amounts: [{ what: 'turn', amount: eighths, unit: 'eighths' }],
  };
}

/** Turning the rod: with the neck off first where its nut is only reached so, blind, and read under tension. */
function byRod(p: Problem, moves: Moves, target: Target, now: number, sizes: Sizes): Way[] {
  const off = rodWantsNeckOff(p);
  if (off && offered(p, 'neck-off') === null) return [];
  const back = now < 0 ? ' It is a back-bow: loosen first, with any rod.' : '';
  const { rod: most } = p.limits;
  // What is too far is brought nearer and read again.
  const goals = goalsIn(target, now, sizes).map((g) => ({
    ...g,
    at: now + Math.max(-most, Math.min(most, g.at - now)),
    far: Math.abs(g.at - now) > most + LEAST,
  }));
  return goals.map((g) => {
    const turn = turnTo(p, now, g.at);
    return {
      group: 'rod',
      name: `rod ${g.name}`,
      beside: g.at !== target.aim && !g.far,
      moves: { ...moves, relief: g.at - now },
      warns: [
        ...(off
          ? ['The turn is made blind: what the rod did so far predicts it, and it is read under tension.']
          : []),
        ...(g.far
          ? [`A rod is asked for ${sizeWords(most)} at the most: then read again and look twice.`]
          : []),
      ],
      parts: [
        ...(off ? [OFF_FIRST] : []),
        {
          operation: 'rod',
          says: `Relief ${sizeWords(now)} at the 7th: bring it to ${sizeWords(g.at)} (band ${bandWords(target, sizeWords)}).${back}${turn.says}`,
          amounts: [{ what: 'relief', amount: g.at - now, unit: 'mm' }, ...turn.amounts],
          removed: 0,
        },
      ],
    };
  });
}

const BY_CLAMP: readonly (readonly [string, readonly OperationId[]])[] = [
  ['clamp it and let it settle', ['neck-clamp', 'neck-settle']],
  ['warm it, clamp it and let it settle', ['neck-heat', 'neck-settle']],
];

/** Why a clamp or warmth does not do here, or null. */
function clampCannot(p: Problem, ids: readonly OperationId[], target: Target, now: Mm): Why | null {
  const by = Math.abs(target.aim - now);
  const { low: least, high: most } = p.limits.clamp;
  if (staysAsItIs(p, now, target))
    return {
      because:
        'A neck this straight is neither clamped nor warmed: it stays as it is, and the rest goes by it.',
      would: 'It would do for a back-bow, or for more relief than the strings need.',
    };
  if (Math.max(target.low - now, now - target.high) < least)
    return {
      because: `It is out by less than ${sizeWords(least)}: too little to clamp or warm a neck for.`,
      would: `It would do for ${sizeWords(least)} or more.`,
    };
  if (now >= 0 && now < target.low)
    return {
      because:
        'The neck is flat, not bowed: it is neither clamped nor warmed for that. Where it may stay so, this job gets its own target for the relief.',
      would: 'It would do for a back-bow, or for more relief than the strings need.',
    };
  if (now < target.aim && !ids.includes('neck-heat'))
    return {
      because: 'A clamp into a back-bow only takes relief away.',
      would: 'It would do for more relief than the strings need.',
    };
  const dear = ids.map((id) => tooDear(p, id)).find((d) => d !== null);
  if (dear) return dear;
  if (p.model.construction.rod === 'none' && !ids.includes('neck-heat'))
    return {
      because: 'Without a rod to take up, a clamp alone does not last.',
      would: 'It would do with a rod that takes up what the clamp gave.',
    };
  if (by > most)
    return {
      because: `A change of ${sizeWords(by)} is beyond what a clamp or warmth does: beyond a setup.`,
      would: `It would do for ${sizeWords(most)} or less.`,
    };
  return null;
}

/** What is left where the rod does nothing: the clamp, then warmth, each with days and a week under tension before it is judged. */
function byClamp(p: Problem, moves: Moves, target: Target, now: number): Ways {
  const by = target.aim - now;
  const hasRod = p.model.construction.rod !== 'none' && by < 0;
  const takeUp = (operation: OperationId): string =>
    operation === 'neck-heat' && hasRod && p.rod === 'at-its-end'
      ? ' The rod is taken up before the clamp comes off.'
      : '';
  const refused: Refused[] = [];
  const ways: Way[] = [];
  for (const [name, ids] of BY_CLAMP) {
    if (ids.some((id) => offered(p, id) === null)) continue;
    const cannot = clampCannot(p, ids, target, now);
    if (cannot !== null) {
      refused.push({ group: 'rod', operations: ids, ...cannot });
      continue;
    }
    const parts = ids.map((operation, i): Part => ({
      operation,
      says:
        operation === 'neck-settle'
          ? 'A week under tension before it is judged, then read again.'
          : `Relief ${sizeWords(now)}: ${by < 0 ? 'past straight in the clamp' : 'bent into relief in the clamp'}, toward ${sizeWords(target.aim)}.${takeUp(operation)}`,
      amounts: i === 0 ? [{ what: 'relief', amount: by, unit: 'mm' }] : [],
      removed: 0,
    }));
    const warns = ['Judged only after a week under tension; it may come back.'];
    ways.push({ group: 'rod', name, moves: { ...moves, relief: by }, warns, parts });
  }
  return { ways, refused };
}

/**
 * The neck's answers: leave it, bring the relief to its aim or toward either end of its band by the rod; where the rod does
 * nothing, by clamp or warmth. A rod at its end, stuck or without an answer is never turned further.
 */
export function rodWays(p: Problem, moves: Moves, sizes: Sizes = 'asked'): Ways {
  const judged = p.judged.find((j) => j.key === KEY);
  const target = p.targets.get(KEY);
  const now = p.model.relief;
  if (!judged || !target) return none('rod', moves);
  const out = !['in', 'edge'].includes(verdict(now, target, judged.tells));
  if (sizes === 'asked' && !out) return none('rod', moves);
  const cannot = rodCannot(p, target, now);
  if (cannot === null)
    return { ways: [stay('rod', moves), ...byRod(p, moves, target, now, sizes)], refused: [] };
  const refused: Refused[] = [{ group: 'rod', operations: ['rod'], ...cannot }];
  if (!out || stateForbids(p, now > target.aim) === null) return { ways: [stay('rod', moves)], refused };
  const clamp = byClamp(p, moves, target, now);
  return { ways: [stay('rod', moves), ...clamp.ways], refused: [...refused, ...clamp.refused] };
}
