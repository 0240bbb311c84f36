import { ACTION_FRET, stationKey } from '../readings/stations.ts';
import { handFor, lowestAction } from '../whatif/clearance-map.ts';
import { NO_MOVES } from '../whatif/moves.ts';
import { heightWords } from '../units/words-in.ts';
import type { Problem } from './solve/problem.ts';

const WISHED: ReadonlySet<string> = new Set(['customer', 'job']);
/** A wish this far under what clears is no contradiction yet, mm: readings say no more. */
const LEAST = 0.1;

/**
 * What a low wish and a hard hand say against each other: the wish would buzz for the hand, with the lowest that clears. Empty
 * where nobody wished for a number of their own, or where it clears.
 * @param relief change of the relief that is planned, mm
 */
export function contradiction(p: Problem, relief: number): string[] {
  if (p.touch === null) return [];
  const outer = [p.model.construction.strings.length, 1];
  const aims = outer.map((n) => p.targets.get(stationKey('action', n, ACTION_FRET)));
  if (!aims.some((t) => t && WISHED.has(t.layer))) return [];
  const hand = handFor(p.model, p.touch, p.force);
  const low = lowestAction(p.model, { ...NO_MOVES, relief }, hand, p.ratio, p.limits.planned);
  if (low === null) return [];
  const clears = [low.action[0] ?? 0, low.action.at(-1) ?? 0];
  const under = aims.some((t, i) => t && WISHED.has(t.layer) && t.aim < (clears[i] ?? 0) - LEAST);
  if (!under) return [];
  const [bass, treble] = clears.map(heightWords);
  return [
    `So low and played like this contradict each other: for this hand it clears from about ${bass} bass, ${treble} treble at 12. Ask which counts more.`,
  ];
}
