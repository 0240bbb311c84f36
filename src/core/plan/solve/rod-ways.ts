import { RELIEF_FRET, stationKey } from '../../readings/stations.ts';
import { formatLength } from '../../units/format-length.ts';
import { verdict, type Target } from '../../targets/target.ts';
import type { Moves } from '../../whatif/moves.ts';
import { offered, type Problem } from './problem.ts';
import { none, stay, type Refused, type Sizes, type Way, type Ways } from './way.ts';

const KEY = stationKey('relief', 0, RELIEF_FRET);
/** Reliefs on both sides of the aim that are considered, mm apart: the same ones whatever the band, while they are in it. */
const STEP = 0.04;
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

/** The rod's answers: leave it, or bring the relief to its aim or toward either end of its band. */
export function rodWays(p: Problem, moves: Moves, sizes: Sizes = 'asked'): Ways {
  const judged = p.judged.find((j) => j.key === KEY);
  const target = p.targets.get(KEY);
  const now = p.model.relief;
  if (!judged || !target) return none('rod', moves);
  if (sizes === 'asked' && ['in', 'edge'].includes(verdict(now, target, judged.tells)))
    return none('rod', moves);
  const thou = (v: number) => formatLength(v, 'thou');
  const refused: Refused[] = [];
  const refuse = (because: string, would: string) =>
    refused.push({ group: 'rod', operations: ['rod'], because, would });
  const { rod } = p.model.construction;
  if (offered(p, 'rod') === null)
    refuse('The shop does not offer it.', 'It would have to be in the catalogue.');
  else if (rod === 'none')
    refuse('This neck has no rod.', 'With a rod the relief could be brought to its aim.');
  else if (rod === 'one-way' && now < 0)
    refuse(
      `It is ${thou(now)}, a back-bow: a one-way rod cannot push the neck forward.`,
      'A two-way rod, or heavier strings, would bring relief in.',
    );
  else if (Math.abs(target.aim - now) > p.limits.rod + LEAST)
    refuse(
      `The relief would have to change by ${thou(Math.abs(target.aim - now))}, over the ${thou(p.limits.rod)} a rod is asked for.`,
      `It would do at a relief between ${thou(target.low - p.limits.rod)} and ${thou(target.high + p.limits.rod)}.`,
    );
  if (refused.length > 0) return { ways: [stay('rod', moves)], refused };
  const ways: Way[] = goalsIn(target, now, sizes).map((g) => ({
    group: 'rod',
    name: `rod ${g.name}`,
    moves: { ...moves, relief: g.at - now },
    warns: [],
    parts: [
      {
        operation: 'rod',
        says: `Relief ${thou(now)} at the 7th: bring it to ${thou(g.at)} (band ${thou(target.low)}–${thou(target.high)}).`,
        amounts: [{ what: 'relief', amount: g.at - now, unit: 'mm' }],
        removed: 0,
      },
    ],
  }));
  return { ways: [stay('rod', moves), ...ways], refused };
}
