import { sayTurn } from '../neck/say-turn.ts';
import { rodAdvice, type LoggedTurn } from '../neck/truss-rod.ts';
import { RELIEF_FRET, stationKey } from '../readings/stations.ts';
import { sizeWords } from '../units/words-in.ts';
import { usable, type PlanInput } from './plan-input.ts';

/** A turn as it was logged; without what it read after it where it was made blind. */
export interface TurnMade {
  readonly eighths: number;
  readonly before: number | null;
  readonly after: number | null;
}

/**
 * What turns say of the rod's answer: each with what was read before and after it. Turns that were made blind, one after the
 * other, count together with the one after which was read.
 */
export function answeredTurns(turns: readonly TurnMade[]): LoggedTurn[] {
  const answered: LoggedTurn[] = [];
  let blind: { eighths: number; before: number | null } | null = null;
  for (const t of turns) {
    const eighths: number = t.eighths + (blind?.eighths ?? 0);
    const before: number | null = blind ? blind.before : t.before;
    if (t.after === null) blind = { eighths, before };
    else {
      if (before !== null && eighths !== 0) answered.push({ eighths, before, after: t.after });
      blind = null;
    }
  }
  return answered;
}

const RELIEF = stationKey('relief', 0, RELIEF_FRET);

/** Says the next turn of the rod, from the relief as it reads now and the instrument's own answers. */
export function sayNextTurn(input: PlanInput, turns: readonly LoggedTurn[]): string {
  const [relief, band] = [usable(input, RELIEF), input.targets.get(RELIEF)];
  if (relief === null) return 'Read the relief: the next turn is worked out from it.';
  if (!band) return '';
  const { advice, eighths, expected, why } = rodAdvice(relief, band, turns, input.settings.rodPrior);
  if (advice === 'leave') return `Relief ${sizeWords(relief)}: in its band. Leave it.`;
  if (advice === 'stop') return why;
  const way = advice === 'tighten' ? 'Tighten' : 'Loosen';
  const about = sizeWords(expected?.aim ?? relief);
  return `Next: ${way.toLowerCase()} ${sayTurn(eighths)}, to about ${about}. ${why}`;
}
