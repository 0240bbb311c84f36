import { RELIEF_FRET, stationKey } from '../../readings/stations.ts';
import { verdict, type Target } from '../../targets/target.ts';
import type { Mm } from '../../units/unit-types.ts';
import type { Moves } from '../../whatif/moves.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { operation } from '../../catalogue/operations.ts';
import type { Problem } from './problem.ts';
import type { Refused, Ways } from './way.ts';

const KEY = stationKey('relief', 0, RELIEF_FRET);
const TELLS = 0.005;

/**
 * Whether a neck without a rod stays as it is: neither bowed back nor so deep that it would be clamped or warmed. Flat is straight, also
 * where more relief was wanted.
 * @param relief mm
 */
export const staysAsItIs = (
  p: Pick<Problem, 'model' | 'limits'>,
  relief: Mm,
  target: Pick<Target, 'low' | 'high'>,
): boolean =>
  p.model.construction.rod === 'none' &&
  relief > Math.min(0, target.low) - p.limits.clamp.low &&
  relief < target.high + p.limits.clamp.low;

/** Whether the neck is straight after what was moved: its relief in its band, where both are known, or as it has to stay. */
export function isStraight(p: Pick<Problem, 'targets' | 'model' | 'limits'>, moves: Moves): boolean {
  const target = p.targets.get(KEY);
  if (!target) return true;
  const relief = p.model.relief + moves.relief;
  return ['in', 'edge'].includes(verdict(relief, target, TELLS)) || staysAsItIs(p, relief, target);
}

/** Whether it takes wood, bone or metal away or makes a part anew: never to make up for a neck that is not straight. */
const cuts = (p: Pick<Problem, 'catalogue'>, id: OperationId): boolean =>
  operation(id, p.catalogue).wantsStraight;

/** Whether an operation must wait for a straight neck, whatever asks for it. */
export const mustWait = (p: Problem, moves: Moves, id: OperationId): boolean =>
  cuts(p, id) && !isStraight(p, moves);

/** A group's answers without those that cut, where the neck is not straight, each with why. */
export function onlyOnStraight(p: Problem, moves: Moves, ways: Ways): Ways {
  if (isStraight(p, moves)) return ways;
  const cutting = ways.ways.filter((w) => w.parts.some((x) => cuts(p, x.operation)));
  const refused: Refused[] = cutting.map((w) => ({
    group: w.group,
    operations: w.parts.map((x) => x.operation),
    because: 'The neck is not straight: nothing is cut to make up for that.',
    would: 'Once the relief is in its band, heights are read again and this may be right.',
  }));
  return { ways: ways.ways.filter((w) => !cutting.includes(w)), refused: [...ways.refused, ...refused] };
}
